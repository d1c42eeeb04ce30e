import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { iconSet, type IconPackage, type IconSet } from '@reach-plot/core/labels'
import type { Icon } from '@reach-plot/core/label-design'

const require = createRequire(import.meta.url)
const read = (name: string): unknown =>
  JSON.parse(readFileSync(require.resolve(`lucide-static/${name}`), 'utf8'))

/** The icon package and the plan's own icons. */
export const icons = (own: readonly Icon[]): IconSet =>
  iconSet(
    {
      nodes: read('icon-nodes.json') as IconPackage['nodes'],
      tags: read('tags.json') as IconPackage['tags'],
    },
    own,
  )
