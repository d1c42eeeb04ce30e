export { readQap } from './qaplib.js'
export {
  defaultQuadraticOptions,
  quadraticCost,
  solveQuadratic,
  type QuadraticAnswer,
  type QuadraticOptions,
  type QuadraticProblem,
} from './quadratic.js'
