/** Two letters that may be two keys, one after the other; `no` is left a word. */
export const isLetterPair = (text: string): boolean =>
  /^[A-Za-z]{2}$/.test(text) && text.toLowerCase() !== 'no'
