/** How long a key is held until the hold counts, ms. Common practice, no source. */
export const holdWaitMs = 400
/** How long a driver or program waits for a further tap, ms. Common practice, no source. */
export const tapWaitMs = 250
