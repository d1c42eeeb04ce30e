/** An id for a plan beside others whose ids are taken: `field-season-2`. */
export function freshPlanId(id: string, taken: ReadonlySet<string>): string {
  const base = id.replace(/-\d+$/, '').slice(0, 70)
  let fresh = base
  for (let n = 2; taken.has(fresh); n++) fresh = `${base}-${n}`
  return fresh
}

/** A readable id from a name: `hide-shape`, or `hide-shape-2` where that is taken. Adds it to `taken`. */
export function freshId(name: string, taken: Set<string>): string {
  const base =
    name
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'item'
  let id = base
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`
  taken.add(id)
  return id
}
