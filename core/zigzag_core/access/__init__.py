"""Access: what a course is to those who do not see it, or see it badly."""
