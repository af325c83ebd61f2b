from django.apps import AppConfig


class CoursesConfig(AppConfig):
    name = "zigzag_server.courses"
    label = "courses"
