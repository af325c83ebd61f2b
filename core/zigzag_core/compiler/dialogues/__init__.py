"""Dialogues become primitives of their slide.

`moments` says when what is said, `flow` what comes next, `going` by which actions; `acting` makes
elements, questions and rules of it, `viewing` says which of them learners see as people who talk.
"""
