"""The same operations on the flattened outlines by Shapely (GEOS) and pyclipper: milliseconds, best of three, nodes and area of the outcome."""
import json
import sys

import pyclipper
from shapely.geometry import Polygon
from shapely.ops import unary_union

from flattened import best, nodes

given = json.load(open(sys.argv[1]))
SCALE = 2 ** 30


def by_shapely(operation, polygons):
    if operation == "join":
        return unary_union(polygons)
    return polygons[0].difference(polygons[1]) if operation == "cut" else polygons[0].intersection(polygons[1])


def by_clipper(operation, rings):
    clipper = pyclipper.Pyclipper()
    if operation == "join":
        clipper.AddPaths(rings, pyclipper.PT_SUBJECT, True)
        kind = pyclipper.CT_UNION
    else:
        clipper.AddPath(rings[0], pyclipper.PT_SUBJECT, True)
        clipper.AddPath(rings[1], pyclipper.PT_CLIP, True)
        kind = pyclipper.CT_DIFFERENCE if operation == "cut" else pyclipper.CT_INTERSECTION
    return clipper.Execute(kind, pyclipper.PFT_NONZERO, pyclipper.PFT_NONZERO)


results = {"shapely": {}, "pyclipper": {}}
for name, one in given.items():
    # Waves that the flattening lets cross by a hair are made clean beforehand; that is not timed.
    polygons = [Polygon(ring) if Polygon(ring).is_valid else Polygon(ring).buffer(0) for ring in one["rings"]]
    rings = pyclipper.scale_to_clipper(one["rings"], SCALE)
    for operation in one["operations"]:
        least, shape = best(lambda: by_shapely(operation, polygons))
        results["shapely"][f"{operation} of {name}"] = {"best": least, "nodes": nodes(shape), "area": shape.area}
        least, paths = best(lambda: by_clipper(operation, rings))
        results["pyclipper"][f"{operation} of {name}"] = {"best": least, "nodes": sum(map(len, paths)), "area": sum(pyclipper.Area(path) for path in paths) / SCALE ** 2}
print(json.dumps(results))
