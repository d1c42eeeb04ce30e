export {
  decode,
  encode,
  textOf,
  valuesOf,
  type Attributes,
  type IppMessage,
  type OutMessage,
} from './codec.js'
export { IppProblem, type IppProblemCode } from './problem.js'
export { printerUrl, requestLimits } from './request.js'
export { printerStatus, type PrinterStatus } from './printer.js'
export {
  cancelJob,
  findJob,
  isOver,
  jobStates,
  jobStatus,
  sendOrder,
  type JobState,
  type JobStatus,
  type PrintOrder,
} from './job.js'
