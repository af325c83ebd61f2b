"""The rules of Zigzag: the course, its engine, and everything computed from it.

Nothing here knows Django, HTTP or a screen. Functions are pure: values in, values out;
time, randomness and files are handed in by the caller.
"""
