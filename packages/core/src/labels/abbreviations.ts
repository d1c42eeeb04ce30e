/**
 * Short forms that people read at once, by the whole word in lower case. Common practice, no source: forms that stand in
 * dictionaries and on drawings; words that are short already have none.
 */
export const abbreviations: ReadonlyMap<string, string> = new Map(
  Object.entries({
    abbreviation: 'abbr', annotation: 'annot', application: 'app', average: 'avg', background: 'bkgd', bottom: 'bot',
    brightness: 'bright', category: 'cat', centre: 'ctr', center: 'ctr', character: 'char', clockwise: 'cw', column: 'col',
    command: 'cmd', configuration: 'config', coordinate: 'coord', coordinates: 'coords', decrease: 'decr', default: 'dflt',
    delete: 'del', description: 'desc', dictionary: 'dict', dimension: 'dim', direction: 'dir', directory: 'dir',
    distance: 'dist', document: 'doc', documents: 'docs', duplicate: 'dup', east: 'E', editor: 'ed', element: 'elem',
    environment: 'env', example: 'ex', execute: 'exec', expression: 'expr', favourite: 'fav', feature: 'feat',
    foreground: 'fgnd', forward: 'fwd', frequency: 'freq', function: 'func', general: 'gen', height: 'ht',
    horizontal: 'horiz', image: 'img', increase: 'incr', information: 'info', insert: 'ins', language: 'lang',
    latitude: 'lat', length: 'len', library: 'lib', longitude: 'long', management: 'mgmt', maximum: 'max', measure: 'meas',
    message: 'msg', minimum: 'min', minute: 'min', minutes: 'min', miscellaneous: 'misc', north: 'N', number: 'no',
    object: 'obj', option: 'opt', options: 'opts', original: 'orig', package: 'pkg', page: 'p', paragraph: 'para',
    parameter: 'param', picture: 'pic', point: 'pt', points: 'pts', position: 'pos', preferences: 'prefs', previous: 'prev',
    program: 'prog', properties: 'props', property: 'prop', quality: 'qual', quantity: 'qty', rectangle: 'rect',
    reference: 'ref', resolution: 'res', rotate: 'rot', second: 'sec', seconds: 'sec', section: 'sect', select: 'sel',
    selection: 'sel', sequence: 'seq', south: 'S', specification: 'spec', square: 'sq', standard: 'std', statistics: 'stats',
    synchronise: 'sync', synchronize: 'sync', system: 'sys', temperature: 'temp', temporary: 'temp', toggle: 'tgl',
    translate: 'transl', utilities: 'utils', variable: 'var', vertical: 'vert', volume: 'vol', west: 'W', width: 'wd',
    window: 'win', windows: 'wins',
  }),
) // prettier-ignore
