"""The script of a course: all that is spoken in it, who says it, and whether it can be heard.

`script` lists it, `words` changes what is said, `voices` how it sounds, `word_cues` keeps cues at
the words that they are set to, `sheets` is for those who record.
"""
