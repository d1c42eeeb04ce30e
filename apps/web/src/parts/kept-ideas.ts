import type { KeptIdea } from '@reach-plot/core/carry'

const words: Readonly<Record<KeptIdea, string>> = {
  letter: 'with the same letter',
  direction: 'in the same direction',
  finger: 'with the same finger',
}

/** What another place keeps of the idea of the one before; empty where it keeps nothing. */
export const keptInWords = (keeps: readonly KeptIdea[]): string => keeps.map((k) => words[k]).join(' and ')
