import { z } from '../zod.js'

/** How a pair lies by nature: first to the left of second, first above second, or only against each other. */
export const pairAxes = ['across', 'along', 'opposite'] as const

const wordPairSchema = z.strictObject({
  first: z.string().min(1).max(40),
  second: z.string().min(1).max(40),
  axis: z.enum(pairAxes),
})
/** Two words that are opposites on an axis: up and down, more and less. */
export type WordPair = z.infer<typeof wordPairSchema>

/** What the person says about names beside what can be read from them. */
export const memorySchema = z.strictObject({
  /** pairs of words in place of the shipped ones; null for those */
  wordPairs: z.array(wordPairSchema).max(500).nullable(),
  /** groups of commands that are one idea in several programs */
  sameIdeas: z.array(z.array(z.string().min(1)).min(2).max(40)).max(2000),
  /** commands whose names are alike and that are two ideas all the same */
  otherIdeas: z.array(z.tuple([z.string().min(1), z.string().min(1)])).max(5000),
})
export type Memory = z.infer<typeof memorySchema>

/** Only what the names themselves say. */
export const noMemory: Memory = { wordPairs: null, sameIdeas: [], otherIdeas: [] }

const pairs = (axis: WordPair['axis'], text: string): WordPair[] =>
  text.split(' ').map((pair) => {
    const [first, second] = pair.split('/') as [string, string]
    return { first, second, axis }
  })

/** Words that lead in opposite directions. Common practice, no source. */
export const shippedWordPairs: readonly WordPair[] = [
  ...pairs('across', 'left/right previous/next first/last start/end begin/finish back/forward before/after'),
  ...pairs(
    'across',
    'decrease/increase smaller/larger less/more fewer/more narrower/wider shrink/grow thinner/thicker',
  ),
  ...pairs(
    'across',
    'slower/faster earlier/later out/in undo/redo darker/lighter quieter/louder minimum/maximum west/east',
  ),
  ...pairs(
    'along',
    'up/down top/bottom above/below higher/lower raise/lower upper/lower front/back north/south',
  ),
  ...pairs(
    'opposite',
    'show/hide open/close lock/unlock on/off enable/disable add/remove expand/collapse join/split',
  ),
  ...pairs(
    'opposite',
    'group/ungroup start/stop play/pause insert/delete select/deselect import/export attach/detach',
  ),
  ...pairs('opposite', 'freeze/thaw link/unlink pin/unpin mute/unmute accept/reject load/save'),
]
