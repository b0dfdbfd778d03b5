"""Cuts the plane by lines with the general-purpose library Shapely. In: a list of lines; out: the areas of the faces, rising."""
import json
import sys

from shapely.geometry import LineString
from shapely.ops import polygonize, unary_union

print(json.dumps(sorted(face.area for face in polygonize(unary_union([LineString(line) for line in json.load(sys.stdin)])))))
