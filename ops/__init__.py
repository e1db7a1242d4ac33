"""What ./keen does: set up, start, stop, test, back up. Standard library only."""
