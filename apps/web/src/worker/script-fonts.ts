/** Where each font file of other scripts is, by its name: `noto-sans-sc-101`. */
export const urls: ReadonlyMap<string, string> = new Map(
  Object.entries(
    import.meta.glob<string>(
      [
        '../../../../node_modules/@fontsource/noto-sans-*/files/noto-sans-*-500-normal.woff',
        '../../../../node_modules/@fontsource/roboto-condensed/files/roboto-condensed-{greek,cyrillic,vietnamese}*-500-normal.woff',
        '!**/*-latin*',
      ],
      { query: '?url', import: 'default', eager: true },
    ),
  ).map(([path, url]) => [/([^/]+)-500-normal\.woff$/.exec(path)?.[1] ?? path, url]),
)
