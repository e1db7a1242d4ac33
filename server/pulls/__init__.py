"""A plate at the press: what happened to it there, and how it is printed."""
