"""Joins polygons with the general-purpose library Shapely. In: a list of rings; out: polygons, holes and area of the union."""
import json
import sys

from shapely.geometry import Polygon
from shapely.ops import unary_union

union = unary_union([Polygon(ring) for ring in json.load(sys.stdin)])
polygons = [union] if union.geom_type == "Polygon" else list(union.geoms)
print(json.dumps({
    "pieces": len(polygons),
    "holes": sum(len(polygon.interiors) for polygon in polygons),
    "area": union.area,
}))
