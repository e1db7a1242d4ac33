"""Simulated instruments: small programs that speak the one call of the instruments."""
