"""What changes something about writing."""
