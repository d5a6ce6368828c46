"""Writing: help for whoever writes the script."""
