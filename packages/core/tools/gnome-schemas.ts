/**
 * Default key combinations of GNOME from its installed schemas.
 * `npm run gnome-keys` compares them with data/system/gnome.json; with `--write` it takes over
 * the schemas that are installed and keeps the rest. Control is spelled three ways there; all become Control.
 */
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gnomeKeys, type SystemKey } from '../src/index.js'

export const schemaDir = '/usr/share/glib-2.0/schemas'
const file = fileURLToPath(new URL('../../../data/system/gnome.json', import.meta.url))

export interface SchemaKey {
  readonly schema: string
  readonly key: string
  readonly accelerators: readonly string[]
  readonly summary: string
}

const unescape = (text: string): string =>
  text.replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&quot;', '"').replaceAll('&amp;', '&')

/**
 * Every setting with a list of key combinations in the schemas of a folder; none when it is not there.
 * @param wanted  schemas that are looked at
 * @param withSingle  settings with one combination and no list count too
 */
export function schemaKeys(
  dir = schemaDir,
  wanted = /keybindings|media-keys/,
  withSingle = false,
): SchemaKey[] {
  if (!existsSync(dir)) return []
  return readdirSync(dir)
    .filter((name) => name.endsWith('.gschema.xml'))
    .flatMap((name) => {
      const text = readFileSync(join(dir, name), 'utf8')
      return [...text.matchAll(/<schema\b[^>]*\bid="([^"]+)"[^>]*>([\s\S]*?)<\/schema>/g)].flatMap(
        ([, schema, body]) =>
          [...(body as string).matchAll(/<key\b[^>]*\bname="([^"]+)"[^>]*>([\s\S]*?)<\/key>/g)].flatMap(
            ([, key, inner]) => {
              const value = unescape(/<default[^>]*>([\s\S]*?)<\/default>/.exec(inner as string)?.[1] ?? '')
              if (!wanted.test(schema as string) || !(withSingle || value.includes('['))) return []
              const accelerators = [...value.matchAll(/'([^']+)'|"([^"]+)"/g)].map(
                (m) => (m[1] ?? m[2]) as string,
              )
              const summary = unescape(/<summary>([\s\S]*?)<\/summary>/.exec(inner as string)?.[1] ?? '')
              return [{ schema: schema as string, key: key as string, accelerators, summary: summary.trim() }]
            },
          ),
      )
    })
}

/** What a combination is, for comparing: modifiers and key. */
export const comboOf = (key: SystemKey): string =>
  [...[...key.modifiers].sort(), key.code ?? `“${key.char}”`].join('+')

/** The shipped and the installed combinations of each schema that is installed. */
export function compareWithSchemas(
  shipped: readonly SystemKey[],
  installed: readonly SchemaKey[],
): { readonly id: string; readonly ours: readonly string[]; readonly theirs: readonly string[] }[] {
  const combos = (id: string): string[] =>
    shipped
      .filter((k) => k.id === id)
      .map(comboOf)
      .sort()
  return installed.map(({ schema, key, accelerators, summary }) => {
    const id = `${schema}.${key}`
    const theirs = [...new Set(gnomeKeys(schema, key, accelerators, summary).map(comboOf))].sort()
    return { id, ours: combos(id), theirs }
  })
}

function main(): void {
  const doc = JSON.parse(readFileSync(file, 'utf8')) as { keys: SystemKey[] }
  const installed = schemaKeys().filter((k) => !k.schema.includes('deprecated'))
  const compared = compareWithSchemas(doc.keys, installed)
  const differing = compared.filter((c) => c.ours.join() !== c.theirs.join())
  console.log(`${installed.length} settings in ${schemaDir}, ${differing.length} differ from what ships`)
  for (const { id, ours, theirs } of differing)
    console.log(`${id}: ships ${ours.join(' ') || 'none'}, installed ${theirs.join(' ') || 'none'}`)
  if (!process.argv.includes('--write') || differing.length === 0) return
  const changed = new Set(differing.map((c) => c.id))
  const fresh = installed
    .filter((k) => changed.has(`${k.schema}.${k.key}`))
    .flatMap((k) =>
      gnomeKeys(k.schema, k.key, k.accelerators, k.summary || k.key).map((key) => ({
        ...key,
        area: 'other',
      })),
    )
  const keys = [...doc.keys.filter((k) => !changed.has(k.id ?? '')), ...fresh]
  const head = JSON.stringify({ ...doc, keys: undefined }, null, 1).slice(0, -2)
  writeFileSync(
    file,
    `${head},\n "keys": [\n${keys.map((k) => `  ${JSON.stringify(k)}`).join(',\n')}\n ]\n}\n`,
  )
}

if (process.argv[1] === fileURLToPath(import.meta.url)) main()
