"""Reads a raster file with libcups and prints each page's header and dots as JSON: a reader independent of this project."""
import ctypes, json, sys

cups = ctypes.CDLL('libcups.so.2')


class Header(ctypes.Structure):
    # cups_page_header2_t of libcups 2.4, cups/raster.h
    _fields_ = [(n, ctypes.c_char * 64) for n in ('media_class', 'media_color', 'media_type', 'output_type')] + [
        ('head', ctypes.c_uint * 29), ('width', ctypes.c_uint), ('height', ctypes.c_uint), ('media', ctypes.c_uint),
        ('bits_per_color', ctypes.c_uint), ('bits', ctypes.c_uint), ('bytes_per_line', ctypes.c_uint),
        ('order', ctypes.c_uint), ('space', ctypes.c_uint), ('rest', ctypes.c_uint * 5), ('scaling', ctypes.c_float),
        ('page_size', ctypes.c_float * 2), ('bbox', ctypes.c_float * 4), ('integers', ctypes.c_uint * 16),
        ('reals', ctypes.c_float * 16), ('strings', ctypes.c_char * 1024), ('marker', ctypes.c_char * 64),
        ('intent', ctypes.c_char * 64), ('name', ctypes.c_char * 64)]


assert ctypes.sizeof(Header) == 1796
cups.cupsRasterOpen.restype = ctypes.c_void_p
cups.cupsRasterOpen.argtypes = [ctypes.c_int, ctypes.c_int]
cups.cupsRasterReadHeader2.argtypes = [ctypes.c_void_p, ctypes.POINTER(Header)]
cups.cupsRasterReadPixels.argtypes = [ctypes.c_void_p, ctypes.c_char_p, ctypes.c_uint]

pages = []
with open(sys.argv[1], 'rb') as file:
    raster = cups.cupsRasterOpen(file.fileno(), 0)
    header = Header()
    while cups.cupsRasterReadHeader2(raster, ctypes.byref(header)):
        lines = []
        for _ in range(header.height):
            line = ctypes.create_string_buffer(header.bytes_per_line)
            assert cups.cupsRasterReadPixels(raster, line, header.bytes_per_line) == header.bytes_per_line
            raw = line.raw
            ink = (lambda x: raw[x >> 3] & (0x80 >> (x & 7))) if header.bits == 1 else (lambda x: raw[x] < 128)
            lines.append(''.join('#' if ink(x) else '.' for x in range(header.width)))
        pages.append({'dpi': [header.head[5], header.head[6]], 'width': header.width, 'height': header.height,
                      'bits': header.bits, 'space': header.space, 'name': header.name.decode(), 'lines': lines})
print(json.dumps(pages))
