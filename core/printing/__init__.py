"""Paper, ink, press and edition: what printing a plate needs and how each pull compares."""
