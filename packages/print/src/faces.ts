import type { DeckFace } from '@reach-plot/core/labels'
import { pagePng, zipOf, type FileOptions, type OutFile } from './files.js'

/** Each button's picture as PNG of `px` by `px`, in folders by page. */
export const facesZip = (
  faces: readonly DeckFace[],
  px: number,
  stem: string,
  options: FileOptions,
): OutFile =>
  zipOf(
    stem,
    faces.map((face) => ({
      name: `${face.id}.png`,
      bytes: pagePng(face.drawing, { ...options, px }),
    })),
  )
