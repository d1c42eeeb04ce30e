/** The path of the bundle of the sources as they are now, made when there is none yet. */
export function upToDateBundle(): Promise<string>
