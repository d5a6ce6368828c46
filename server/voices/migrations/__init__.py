"""Database changes."""
