"""Question banks: questions that authors keep apart from any one course."""
