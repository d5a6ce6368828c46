"""The shelf: what accounts brought, under which licence, and where it is used."""
