"""The demo courses, made once: speaking what is said in them takes seconds."""

from functools import cache

from zigzag_demo import hut_warden

hut_warden_basics = cache(hut_warden.hut_warden_basics)
hut_warden_day = cache(hut_warden.hut_warden_day)
