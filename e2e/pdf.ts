import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'

export interface PdfPage {
  readonly widthPt: number
  readonly heightPt: number
  readonly texts: readonly {
    readonly text: string
    readonly sizePt: number
    readonly xPt: number
    readonly yPt: number
  }[]
  readonly rectangles: readonly { readonly widthPt: number; readonly heightPt: number }[]
}

/** What stands on the pages of a PDF, read by pdfjs. */
export async function readPdf(bytes: Uint8Array): Promise<{ readonly pages: readonly PdfPage[] }> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages: PdfPage[] = []
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n)
    const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = page.view
    const content = await page.getTextContent()
    const texts = content.items.flatMap((item) =>
      'str' in item && item.str.trim() !== ''
        ? [
            {
              text: item.str,
              sizePt: Math.hypot(item.transform[0], item.transform[1]),
              xPt: item.transform[4],
              yPt: item.transform[5],
            },
          ]
        : [],
    )
    const operators = await page.getOperatorList()
    // sizes are given in the units of the matrix that holds where the path is drawn
    const scales: [number, number][] = [[1, 1]]
    const rectangles = operators.fnArray.flatMap((op, i) => {
      const args = operators.argsArray[i] as readonly unknown[]
      const now = scales.at(-1) as [number, number]
      if (op === OPS.save) scales.push([...now])
      if (op === OPS.restore) scales.pop()
      if (op === OPS.transform) {
        now[0] *= Math.abs(Number(args[0]))
        now[1] *= Math.abs(Number(args[3]))
      }
      if (op !== OPS.constructPath) return []
      // [operation, [path], [minX, minY, maxX, maxY]]
      const box = args[2] as ArrayLike<number> | null
      return box
        ? [
            {
              widthPt: ((box[2] as number) - (box[0] as number)) * now[0],
              heightPt: ((box[3] as number) - (box[1] as number)) * now[1],
            },
          ]
        : []
    })
    pages.push({ widthPt: x1 - x0, heightPt: y1 - y0, texts, rectangles })
  }
  return { pages }
}
