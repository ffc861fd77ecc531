"""The web edge: thin modules, one a station, that speak for core and store over HTTP."""
