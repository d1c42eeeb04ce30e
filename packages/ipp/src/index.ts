export {
  decode,
  encode,
  textOf,
  valuesOf,
  type Attributes,
  type IppMessage,
  type OutMessage,
} from './codec.js'
export { decodeApart } from './decode-apart.js'
export { IppProblem, type IppProblemCode } from './problem.js'
export { printerUrl, requestLimits } from './request.js'
export { printerStatus, type PrinterStatus } from './printer.js'
export {
  cancelJob,
  findJob,
  isOver,
  jobOf,
  jobStates,
  jobStatus,
  sendOrder,
  type FoundJob,
  type JobState,
  type JobStatus,
  type PrintOrder,
  type SendSteps,
} from './job.js'
