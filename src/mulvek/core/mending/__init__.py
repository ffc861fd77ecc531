"""What went wrong, why, what to do now and next time. Day dossier §4."""
