"""Light on polymer: lamps, exposure tests, tone transfer, positives and dot screens."""
