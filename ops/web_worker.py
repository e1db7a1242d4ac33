"""One worker of the web server: it ends with its master, so nothing of a killed one is left."""

from ops.supervise import end_with_parent
from server.config.asgi import application

__all__ = ["application"]

end_with_parent()
