"""Words that become voice.

`speech` says what is asked of a synthesiser and what it gives, `espeak` is one, `encoding` makes a
sound file of what it gives, `dialogues` lets people of a dialogue speak.
"""
