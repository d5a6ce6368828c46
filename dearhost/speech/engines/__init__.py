"""Speech engines, one a module. Reached through ``dearhost.speech.registry`` only."""
