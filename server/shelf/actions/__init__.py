"""What changes the shelf."""
