"""Editing quizzes: what is made in one step."""
