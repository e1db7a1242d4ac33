"""Scratched plates: the tone of marks, how scratches are seen, how they wear."""
