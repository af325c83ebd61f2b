"""Quizzes: which questions each learner gets, in which order, and the numbers behind that."""
