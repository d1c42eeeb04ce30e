/** A moment of the last weeks, as lists and messages name it: `27 Nov, 12:38`. */
export const timeInWords = (at: number): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
