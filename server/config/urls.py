"""All addresses: the API, and the application's page for everything else."""

from __future__ import annotations

from django.conf import settings
from django.http import FileResponse, HttpRequest, HttpResponse, HttpResponseBase
from django.urls import path, re_path
from django.views.decorators.csrf import ensure_csrf_cookie

from server.api import api


@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponseBase:
    """Serve the application's page at every address of its own."""
    index = settings.WEB_DIST / "index.html"
    if not index.exists():
        return HttpResponse("The front end is not built. Run ./keen start.", status=503)
    reply = FileResponse(index.open("rb"), content_type="text/html; charset=utf-8")
    reply["Cache-Control"] = "no-cache"
    return reply


urlpatterns = [path("api/", api.urls), re_path(r"^(?!api/|static/|assets/).*$", page)]
