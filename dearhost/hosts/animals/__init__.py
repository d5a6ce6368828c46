"""Animals: a seabird and a seal."""
