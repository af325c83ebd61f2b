"""Dialogues of the document and their scripts: from one to the other."""
