"""Names of keys and characters that configuration files use: words/keysyms.json.

usage: build-keysyms.py W3C_CODES.json

Characters: xkbcommon-keysyms.h of Debian's libxkbcommon-dev (MIT/X11); facts only; kept are those that one of our layouts types. Codes:
the W3C codes themselves, and their names in linux-libc-dev.
"""
import json
import pathlib
import re
import sys
import unicodedata

root = pathlib.Path(__file__).resolve().parents[1]
header = pathlib.Path('/usr/include/xkbcommon/xkbcommon-keysyms.h').read_text()
typed = set()
for path in (root / 'layouts').glob('*.json'):
    if path.name == 'index.json':
        continue
    for levels in json.loads(path.read_text())['keys'].values():
        typed |= {c for c in levels if c and not c.startswith('dead:')}
found = {}
for name, value, comment in re.findall(r'#define XKB_KEY_(\w+)\s+(0x[0-9a-f]+)\s*(/\*.*?\*/)?', header):
    code = re.search(r'U\+([0-9A-F]{4,6})', comment or '')
    if not code or name.startswith('dead_'):
        continue
    char = chr(int(code.group(1), 16))
    # the header's words of one character are its own name already
    if char in typed and len(name) > 1 and unicodedata.category(char)[0] != 'C':
        found[name] = char
codes = {}
for entry in json.loads(pathlib.Path(sys.argv[1]).read_text()):
    codes[entry['code']] = entry['code']
    if entry.get('linux'):
        codes.setdefault(entry['linux'], entry['code'])
# keys of media and laptops: by their keysym, where W3C has no code for them
for name in re.findall(r'#define XKB_KEY_(XF86\w+)', header):
    code = name[4:]
    if re.fullmatch(r'[A-Z][A-Za-z0-9]{0,31}', code):
        codes.setdefault(name, code)
out = {
    'source': 'Debian libxkbcommon-dev: xkbcommon-keysyms.h, MIT/X11; W3C UI Events codes; linux-libc-dev; facts only',
    'codes': dict(sorted(codes.items())),
    'characters': dict(sorted(found.items())),
}
(root / 'words' / 'keysyms.json').write_text(json.dumps(out, ensure_ascii=False, separators=(',', ':')) + '\n')
print(len(found))
