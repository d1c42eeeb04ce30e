export { arrangementFigures, type ArrangementFigures } from './figures.js'
