"""Addresses."""

from django.urls import path, re_path

from server.config.api import api
from server.config.pages import failed, health, page
from server.deliveries.events import delivery_events
from server.deliveries.files import delivery_file
from server.productions.pictures import proof_picture, proof_sound, scene_opening, scene_still
from server.shelf.files import shelf_file

handler500 = failed

urlpatterns = [
    path("api/", api.urls),
    path("events/deliveries", delivery_events),
    path("pictures/<uuid:production_id>/<str:scene_id>/still.jpg", scene_still),
    path("pictures/<uuid:production_id>/<str:scene_id>/opening.jpg", scene_opening),
    path("pictures/<uuid:production_id>/<str:scene_id>/proof-picture.mp4", proof_picture),
    path("pictures/<uuid:production_id>/<str:scene_id>/proof-sound.mp4", proof_sound),
    path("files/deliveries/<uuid:delivery_id>/<str:name>", delivery_file),
    path("files/shelf/<str:item>/<str:name>", shelf_file),
    path("health", health),
    re_path(r"^(?!api/|files/|pictures/|events/|static/|assets/).*$", page),
]
