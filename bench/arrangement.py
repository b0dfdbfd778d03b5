"""The same lines and circles by Shapely (GEOS): milliseconds to lines noded, and from there to faces, best of three, of what takes seconds of one. Circles as 128-gons."""
import json
import sys
import time

from shapely.geometry import LineString, Point
from shapely.ops import polygonize, unary_union

# Milliseconds beyond which nothing is measured again.
LONG = 2000

with open(sys.argv[1]) as file:
    given = json.load(file)


def measured(lines):
    noding, whole, faces = float("inf"), float("inf"), 0
    for _ in range(3):
        start = time.perf_counter()
        noded = unary_union(lines)
        noding = min(noding, (time.perf_counter() - start) * 1000)
        faces = len(list(polygonize(noded)))
        took = (time.perf_counter() - start) * 1000
        whole = min(whole, took)
        if took > LONG:
            break
    return {"best": whole, "noding": noding, "faces": faces}


def circle(x, y, radius):
    return Point(x, y).buffer(radius, 32).exterior


results = {f"polygon {n}": measured([LineString(line) for line in lines]) for n, lines in given["polygons"].items()}
results |= {f"circles {n}": measured([circle(*one) for one in circles]) for n, circles in given["circles"].items()}
results |= {f"segments {n}": measured([LineString(line) for line in lines]) for n, lines in given["segments"].items()}
results["grid on rings"] = measured([*map(LineString, given["grid"]), *(circle(*one) for one in given["rings"])])
print(json.dumps(results))
