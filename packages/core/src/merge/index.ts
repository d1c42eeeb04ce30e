export { applyDifferences, diffPlans, type Difference } from './diff.js'
export { mergePlans, type Conflict, type Merge } from './merge.js'
export { conflictInWords, differenceInWords, differenceKinds, kindOf, type DifferenceKind } from './words.js'
