"""Dear Host: a written script becomes a film in which a host speaks it.

The computation only: no web framework, no HTTP, no interface. Read the packages in this order:
``script``, ``speech``, ``lips``, ``hosts``, ``stage``, ``render``; ``films`` joins them.
"""

__version__ = "0.1.0"
