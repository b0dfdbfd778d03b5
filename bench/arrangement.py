"""The same polygons and circles by Shapely (GEOS): milliseconds from lines to faces, best of five. Circles as polygons of 128 corners."""
import json
import sys
import time

from shapely.geometry import LineString, Point
from shapely.ops import polygonize, unary_union

with open(sys.argv[1]) as file:
    given = json.load(file)


def measured(lines):
    best = float("inf")
    for _ in range(5):
        start = time.perf_counter()
        faces = list(polygonize(unary_union(lines)))
        best = min(best, (time.perf_counter() - start) * 1000)
    return {"best": best, "faces": len(faces)}


results = {f"polygon {n}": measured([LineString(line) for line in lines]) for n, lines in given["polygons"].items()}
results["circles"] = measured([Point(x, y).buffer(radius, 32).exterior for x, y, radius in given["circles"]])
print(json.dumps(results))
