#!/usr/bin/env python3
"""Key rectangles of XKB geometries by W3C code, as the tests' outside reference.

usage: build-geometry.py GEOM_DIR W3C_CODES.json OUT.json
"""
import json, os, sys

geom_dir, codes_file, out_file = sys.argv[1:4]
code_of = {c["xkb"]: c["code"] for c in json.load(open(codes_file)) if c.get("xkb")}
# Names that the geometry files spell otherwise than the key codes.
code_of.update({"LMTA": "MetaLeft", "RMTA": "MetaRight", "LWIN": "MetaLeft", "RWIN": "MetaRight", "MENU": "ContextMenu",
                "AC00": "CapsLock", "AA00": "ControlLeft", "FN": "Fn"})
out = {"source": "Debian xkb-data 2.35.1, geometry files, MIT/X11 family; mm, [x, y, width, height], rounded there to whole mm"}
for name in ["pc-pc104", "pc-pc105", "pc-pc86", "macintosh-applealu_ansi"]:
    geom = json.load(open(os.path.join(geom_dir, f"geom-{name}.json")))
    out[name.split("-")[1]] = {code_of[k["key"]]: [k["x"], k["y"], k["w"], k["h"]] for k in geom["keys"] if k["key"] in code_of}
json.dump(out, open(out_file, "w"), separators=(",", ":"))
