"""Editions: numbers, who signed what, what is still needed, and the certificate."""
