"""The content's addresses: media, previews, packages. No session, no author's data."""

from django.urls import path

from .courses import media_views
from .post import receiver_views
from .practice import run_views
from .publishing import preview_views
from .records import views as records
from .records.statement_views import statements_view

urlpatterns = [
    path("media/<str:key>/<str:name>", media_views.media, name="media"),
    path("media/<str:key>/preview/<str:sha256>", media_views.preview, name="media-preview"),
    path("preview/<str:token>/", preview_views.preview, name="preview"),
    path("preview/<str:token>/program.js", preview_views.preview_program, name="preview-program"),
    path("launch/<str:token>/", run_views.launch_page, name="launch"),
    path("launch/<str:token>/commit", run_views.commit, name="commit"),
    path("launch/<str:token>/calls", run_views.calls, name="calls"),
    path("launch/<str:token>/fetch", run_views.fetch_token, name="fetch-token"),
    path("launch/<str:token>/crash", run_views.crash, name="crash"),
    path("launch/<str:token>/left", run_views.left, name="left"),
    path("post/<str:number>", receiver_views.receive, name="post"),
    path("xapi/statements", statements_view),
    path("xapi/activities/state", records.state_view),
    path("xapi/activities/profile", records.activity_profile_view),
    path("xapi/activities", records.activities_view),
    path("xapi/agents/profile", records.agent_profile_view),
    path("xapi/agents", records.agents_view),
    path("xapi/about", records.about),
    path("run/<str:token>/<path:path>", run_views.package_file, name="package-file"),
]

handler500 = "zigzag_server.refusals.failed"
