"""The writing desk: drafts, rework, documents and comments, and a model's server on this machine."""
