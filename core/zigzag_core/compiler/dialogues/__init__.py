"""Dialogues become primitives of their slide.

`moments` says when what is said, `acting` makes elements, questions and rules of it, `viewing` says
which of them learners see as people who talk.
"""
