import type { SystemId } from '../triggers/index.js'
import type { Role } from './roles.js'

/** Words of headings, in several languages. Common practice, no source. */
const headings: readonly [Role, RegExp][] = [
  [
    'keys',
    /(?<!\p{L})(?:keys?|shortcuts?|hot ?keys?|key ?bindings?|bindings?|accelerators?|accel|keystrokes?|chords?|combos?|combinations?|trigger|tast(?:e|en)\S*|kürzel|tastatur\S*|raccourcis?|touches?|atajos?|teclas?|scorciatoi[ae]|tasti?|sneltoets(?:en)?|genvej\S*|kortkommando|pikanäppäin|skrót\S*|klávesov\S*|zkratk\S*|tuş\S*)(?!\p{L})|ショートカット|キー|快捷键|快速鍵|단축키|клавиш\S*|сочетани\S*/iu,
  ],
  [
    'command',
    /(?<!\p{L})(?:commands?|actions?|functions?|names?|operations?|tools?|does|what|title|label|descriptions?|tasks?|befehle?|aktion(?:en)?|funktion(?:en)?|bezeichnung|commandes?|fonctions?|noms?|acciones|acción|comandos?|función|nombres?|azion[ei]|comand[io]|nome|opdracht(?:en)?|handling|kommando|komento|toiminto|polecen\S*|akcja|příkaz\S*|akce|komut\S*|event)(?!\p{L})|コマンド|操作|機能|命令|功能|명령|команд\S*|действи\S*/iu,
  ],
  [
    'menu',
    /(?<!\p{L})(?:menus?|menu path|path|location|menü|pfad|menú|menu-pfad|where)(?!\p{L})|メニュー|菜单|меню/iu,
  ],
  [
    'context',
    /(?<!\p{L})(?:contexts?|modes?|when|scopes?|sections?|groups?|categor(?:y|ies)|areas?|views?|part|kontext|modus|bereich|gruppe|kategorie|contexte|catégorie|contexto|categoría|contesto|where active|type)(?!\p{L})|モード|カテゴリ|类别|категори\S*/iu,
  ],
  [
    'program',
    /(?<!\p{L})(?:programs?|apps?|applications?|software|programm|anwendung|logiciel|aplicación|programa|applicazione)(?!\p{L})/iu,
  ],
  [
    'uses',
    /(?<!\p{L})(?:uses?|usage|frequency|how often|often|count|per hour|per day|a day|uses ?per ?hour|häufigkeit|nutzung|fréquence|frecuencia|times|rate)(?!\p{L})/iu,
  ],
  [
    'note',
    /(?<!\p{L})(?:notes?|comments?|remarks?|hints?|help|bemerkung(?:en)?|notiz(?:en)?|remarques?|notas?|tooltip)(?!\p{L})/iu,
  ],
]
/** Systems that a column of keys may be for. */
const systemHeadings: readonly [RegExp, (system: SystemId) => boolean][] = [
  [/(?<!\p{L})(?:mac|macos|os ?x|apple|darwin)(?!\p{L})/iu, (s) => s === 'macos'],
  [/(?<!\p{L})(?:win|windows|pc|win32)(?!\p{L})/iu, (s) => s === 'windows'],
  [/(?<!\p{L})(?:linux|gnome|unix|x11|gtk)(?!\p{L})/iu, (s) => s !== 'macos' && s !== 'windows'],
]

/** Words of a heading, or of the last name of a path: camelCase and underscores apart. */
export const wordsOf = (heading: string): string => {
  const names = heading.split('.').filter((name) => !/^(?:#text|value|default)?$/.test(name))
  return (/\s/.test(heading) ? heading : (names.at(-1) ?? heading))
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/[_.@#-]+/g, ' ')
    .trim()
}

/** What a heading says that its column means, the first word first. */
export const rolesNamed = (heading: string): Role[] =>
  headings
    .flatMap(([role, pattern]) => {
      const at = heading.search(pattern)
      return at < 0 ? [] : [{ role, at }]
    })
    .sort((a, b) => a.at - b.at)
    .map(({ role }) => role)

/** Whether a text is the heading of a column, by its words. */
export const isHeading = (text: string): boolean => rolesNamed(wordsOf(text)).length > 0 && text.length < 40

/** Whether a column is for one system, by its heading; and whether it is for this one. */
export const isNamedForSystem = (heading: string): boolean =>
  systemHeadings.some(([pattern]) => pattern.test(wordsOf(heading)))
export const systemsNamed = (heading: string, system: SystemId): boolean =>
  systemHeadings.some(([pattern, is]) => pattern.test(wordsOf(heading)) && is(system))
