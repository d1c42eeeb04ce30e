#!/usr/bin/env python3
"""Condense full XKB level tables to what the app needs: for each W3C code the characters of levels 1 to 4.

usage: build-layouts.py LEVELS_DIR W3C_CODES.json OUT_DIR
LEVELS_DIR holds one JSON a layout, resolved by libxkbcommon from Debian's xkb-data (model pc105).
A dead key stands as "dead:NAME"; a level that types nothing is null.
"""
import glob, json, os, sys

levels_dir, codes_file, out_dir = sys.argv[1:4]
code_of = {c["evdev"]: c["code"] for c in json.load(open(codes_file)) if c.get("evdev")}
index = []
for path in sorted(glob.glob(os.path.join(levels_dir, "levels-*.json"))):
    name = os.path.basename(path)[len("levels-"):-len(".json")]
    table = json.load(open(path))
    keys = {}
    for key in table["keys"].values():
        code = code_of.get(key["evdev"])
        if not code or code.startswith("Numpad"):
            continue
        row = []
        for level in key["levels"][:4]:
            char = level["char"]
            if level["dead"]:
                row.append("dead:" + level["sym"].removeprefix("dead_"))
            else:
                # blanks that do not break are typed too
                row.append(char if char and (char.isprintable() or char in "\u00a0\u202f") else None)
        if code == "Space" and len(row) == 1:
            row = row * 4  # a key of one level types it whatever is held
        while row and row[-1] is None:
            row.pop()
        if row:
            keys[code] = row
    right_alt = [k for k in table["keys"].values() if k["evdev"] == 100]
    level3 = bool(right_alt) and right_alt[0]["levels"][0]["sym"] == "ISO_Level3_Shift"
    out = {"id": name, "name": table["name"], "altGraph": level3,
           "source": "Debian xkb-data 2.35.1 through libxkbcommon 1.5.0, MIT/X11", "keys": keys}
    with open(os.path.join(out_dir, name + ".json"), "w") as f:
        json.dump(out, f, ensure_ascii=False, separators=(",", ":"))
        f.write("\n")
    index.append({"id": name, "name": table["name"]})
json.dump(index, open(os.path.join(out_dir, "index.json"), "w"), ensure_ascii=False, indent=1)
