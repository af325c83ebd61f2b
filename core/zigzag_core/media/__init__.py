"""Media: knowing what a file is, and making it harmless."""
