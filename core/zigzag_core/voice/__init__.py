"""Words that become voice.

`speech` says what is asked of a synthesiser and what it gives, `espeak` is one, `encoding` makes a
sound file of what it gives, `course` speaks what a course says, `marking` tells when each word is
heard; `alignment` finds that out for `recordings`.
"""
