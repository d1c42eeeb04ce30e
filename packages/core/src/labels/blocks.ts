import type { Control } from '../bench/index.js'

/** Keys that are closer than this stand in one block, mm: between blocks of a keyboard there is a quarter of a key. Assumed. */
const blockGapMm = 3

export interface Bounds {
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** The box around controls. */
export function blockBounds(controls: readonly Control[]): Bounds {
  const xMm = Math.min(...controls.map((c) => c.xMm - c.widthMm / 2))
  const yMm = Math.min(...controls.map((c) => c.yMm - c.heightMm / 2))
  return {
    xMm,
    yMm,
    widthMm: Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)) - xMm,
    heightMm: Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)) - yMm,
  }
}

/** Controls in the blocks in which they stand: the main block, the cursor keys, the number block. */
export function blocksOf(controls: readonly Control[]): Control[][] {
  const left = new Set(controls)
  const blocks: Control[][] = []
  for (const first of controls) {
    if (!left.delete(first)) continue
    const block = [first]
    // grows while it is walked
    for (const member of block)
      for (const other of left) if (isBeside(member, other) && left.delete(other)) block.push(other)
    blocks.push(block)
  }
  return blocks
}

const isBeside = (a: Control, b: Control): boolean =>
  Math.abs(a.xMm - b.xMm) - (a.widthMm + b.widthMm) / 2 < blockGapMm &&
  Math.abs(a.yMm - b.yMm) - (a.heightMm + b.heightMm) / 2 < blockGapMm
