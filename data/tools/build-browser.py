#!/usr/bin/env python3
"""Combinations of a browser. `accel` is Control, on macOS Command; a reserved one no page can take for itself.

usage: build-browser.py BROWSER_KEYS.json OUT.json
"""
import json, re, sys

source, out_file = sys.argv[1:3]
NAMED = {"VK_DELETE": "Delete", "VK_BACK": "Backspace", "VK_LEFT": "ArrowLeft", "VK_RIGHT": "ArrowRight",
         "VK_HOME": "Home", "VK_ESCAPE": "Escape", "VK_TAB": "Tab"}
MODIFIERS = {"accel": "accel", "control": "Control", "alt": "Alt", "shift": "Shift"}
ORDER = ["accel", "Control", "Alt", "Shift"]
combos = {}


def words(command):
    text = re.sub(r"^(cmd_|View:|Browser:|Tools:|History:)", "", command or "")
    text = re.sub(r"(?<=[a-z])(?=[A-Z])", " ", text.replace("NoEvent", "")).lower()
    return text.replace("url", "address").strip()


def add(held, key, reserved, does, systems=None):
    combo = "+".join([m for m in ORDER if m in held] + [key.lower() if len(key) == 1 else key])
    old = combos.get((combo, tuple(systems or [])))
    if old and (old["reserved"] or not reserved):
        return
    entry = {"keys": combo, "reserved": reserved}
    if does:
        entry["does"] = does
    if systems:
        entry["systems"] = systems
    combos[(combo, tuple(systems or []))] = entry


for entry in json.load(open(source)):
    key = entry["key"] or entry.get("keycode") or ""
    key = NAMED.get(key, key.removeprefix("VK_") if re.fullmatch(r"VK_F\d+", key) else key)
    if not re.fullmatch(r".|F\d+|[A-Z][A-Za-z]+", key):
        continue
    held = {MODIFIERS[m] for m in entry["modifiers"].split(",") if m}
    if not held and key in ("Escape", "Delete", "Backspace"):
        continue  # a page gets these first
    add(held, key, entry["reserved"], words(entry["command"]))

# from memory: function keys, tabs by number and by Page keys, developer tools
MEMORY = [
    ({"Control"}, "Tab", "next tab"), ({"Control", "Shift"}, "Tab", "previous tab"),
    ({"Control"}, "PageDown", "next tab"), ({"Control"}, "PageUp", "previous tab"),
    ({"Control", "Shift"}, "PageDown", "move the tab right"), ({"Control", "Shift"}, "PageUp", "move the tab left"),
    (set(), "F1", "help"), (set(), "F3", "find again"), ({"Shift"}, "F3", "find previous"), (set(), "F5", "reload"),
    (set(), "F6", "next part of the window"), (set(), "F7", "caret browsing"), (set(), "F12", "developer tools"),
]
for held, key, does in MEMORY:
    add(held, key, False, does)
add({"accel", "Shift"}, "i", False, "developer tools", ["linux", "windows"])
add({"accel", "Alt"}, "i", False, "developer tools", ["macos"])
add({"Control"}, "F4", False, "close the tab", ["linux", "windows"])
for digit in "123456789":
    combos.pop((f"Alt+{digit}", ()), None)
    add({"Alt"}, digit, False, f"tab {digit}", ["linux"])
    add({"accel"}, digit, False, f"tab {digit}", ["windows", "macos"])

rows = ",\n".join("  " + json.dumps(combos[k], ensure_ascii=False) for k in sorted(combos))
source_text = ("a Debian browser package (MPL-2.0), key combinations only; function keys, tabs by number and Page keys, "
               "developer tools from memory")
open(out_file, "w").write(f'{{\n "source": {json.dumps(source_text)},\n "keys": [\n{rows}\n ]\n}}\n')
