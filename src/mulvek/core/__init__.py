"""The dairy: everything Mulvek knows about milk, pans and flames.

Plain Python and NumPy. No web, no database, no clock, no hidden randomness: whatever a function
needs is handed to it, and everything here can be called from a REPL. Masses are kg, lengths m,
volumes m³, times s, temperatures °C (named ``_c``) unless a name says otherwise.
"""
