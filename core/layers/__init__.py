"""Several plates of one print, several layers on one sheet: order, register, ghosts, stencils."""
