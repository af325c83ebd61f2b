"""Dialogues as their authors write them: the script as text, and its ways as a graph."""
