"""Painting: layers, kept as pixels until they change, put together to frames."""
