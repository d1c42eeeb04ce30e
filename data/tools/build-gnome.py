#!/usr/bin/env python3
"""Default accelerators of GNOME 43 as chords of W3C codes.

usage: build-gnome.py GNOME_KEYS.json W3C_CODES.json OUT.json
Control is spelled three ways in the schemas (<Control>, <Ctrl>, <Primary>); all become Control.
Accelerators of keys that a keyboard of the catalogue does not have (media keys) are left out.
Letters and signs are keysyms, which GNOME looks up on the current layout: they are kept as `char`,
and turned into a code only when a layout is chosen.
"""
import json, re, sys

gnome_file, codes_file, out_file = sys.argv[1:4]
NAMED = {"Page_Up": "PageUp", "Page_Down": "PageDown", "Left": "ArrowLeft", "Right": "ArrowRight", "Up": "ArrowUp",
         "Down": "ArrowDown", "space": "Space", "Print": "PrintScreen", "Above_Tab": "Backquote",
         "Tab": "Tab", "Escape": "Escape", "Delete": "Delete", "Home": "Home", "End": "End"}
CHARS = {"equal": "=", "minus": "-"}
MODIFIER = {"control": "Control", "ctrl": "Control", "primary": "Control", "alt": "Alt", "shift": "Shift",
            "super": "Meta"}
seen, out = set(), []
for entry in json.load(open(gnome_file)):
    if "deprecated" in entry["schema"]:
        continue
    for accel in entry["default"] if isinstance(entry["default"], list) else [entry["default"]]:
        if not accel:
            continue
        mods = sorted({MODIFIER[m.lower()] for m in re.findall(r"<([^>]+)>", accel)})
        key = re.sub(r"<[^>]+>", "", accel)
        action = re.sub(r"^Keybinding to (\w)", lambda m: m[1].upper(), entry["summary"] or entry["key"])
        row = {"modifiers": mods, "action": action.strip(), "id": entry["schema"] + "." + entry["key"]}
        if key in NAMED:
            row["code"] = NAMED[key]
        elif re.fullmatch(r"F\d+", key):
            row["code"] = key
        elif len(key) == 1 or key in CHARS:
            row["char"] = CHARS.get(key, key.lower())
        elif key == "Super_L" or key == "Super":
            row["code"] = "MetaLeft"
        else:
            continue
        mark = (tuple(mods), row.get("code"), row.get("char"), row["action"])
        if mark in seen:
            continue
        seen.add(mark)
        out.append(row)
# mutter's overlay-key is a keysym of its own, not an accelerator list: Super pressed alone.
out.insert(0, {"modifiers": [], "action": "Open the overview", "id": "org.gnome.mutter.overlay-key", "code": "MetaLeft"})
doc = {"id": "gnome", "name": "GNOME 43",
       "source": "Debian 12: gsettings-desktop-schemas, mutter-common, gnome-settings-daemon-common, gnome-shell-common 43 (LGPL-2.1+, GPL-2+); facts only: key combinations and what they do",
       "keys": out}
json.dump(doc, open(out_file, "w"), ensure_ascii=False, indent=1)
print(len(out))
