export { menuKnowledges, type MenuKnowledge } from './plan.js'
export {
  mostKeyFileText,
  planJsonSchema,
  planSchema,
  planVersion,
  type Accepted,
  type Arrangement,
  type KeptKeyFile,
  type Placed,
  type Placement,
  type Plan,
} from './plan.js'
export { defaultPlaceWeights, placeWeightsSchema, type PlaceWeights } from './weights.js'
export { freshId, freshPlanId } from './ids.js'
export type { StandardKey } from './followed.js'
export {
  acceptedIn,
  activeArrangement,
  arrangementSetNow,
  activeBench,
  dayHours,
  defaultPayBackDays,
  type DayHours,
} from './access.js'
export {
  addLayer,
  deleteLayer,
  fillLayer,
  renameLayer,
  setLayerKey,
  setOpener,
  setTapHold,
} from './edits/firmware.js'
export { addEdgeZones, addThumbArc, copyControls, mirrorHalf } from './edits/quick-entry.js'
export { makeBoardOwn } from './edits/own-board.js'
export { arrangeDesk, keyboardOf, ofModel, toggleOnDesk, type CatalogueThing } from './edits/desk-setup.js'
export { backToDefaults, takeOffKeys } from './edits/defaults.js'
export { emptyPlan } from './empty-plan.js'
export { migrate } from './migrate.js'
export { changeInWords } from './difference.js'
export { notLookedAt } from './limits.js'
export {
  applyMoves,
  givenUpFor,
  isSameDevice,
  limitedTo,
  moveMany,
  placeCommand,
  removePlacement,
  setPlacements,
  type Move,
  type PlaceEdit,
} from './edits/placements.js'
export {
  mergePlacements,
  takeModes,
  takePlacements,
  type MergedPlacements,
  type TakeMode,
} from './edits/merge-placements.js'
export { placeRefusal, refusalInWords, refusalOf, type Refusal } from './edits/refusals.js'
export {
  chooseArrangement,
  copyArrangement,
  deleteArrangement,
  keepAsSet,
  markSetNow,
  renameArrangement,
} from './edits/arrangements.js'
export { addCommand, addNamedCommand, deleteCommand, editCommand, moveToProgram } from './edits/commands.js'
export {
  addContext,
  addProgram,
  deleteContext,
  deleteProgram,
  editContext,
  renameProgram,
  setBinds,
  setDrags,
  programHabits,
  setFreed,
  setHabit,
  setHost,
  type ProgramHabit,
  setMenuChord,
  setOverlap,
} from './edits/programs.js'
export {
  addBench,
  deleteBench,
  isNeeded,
  mirrorActiveBench,
  moveDevice,
  putOnBench,
  renameBench,
  setPointing,
  takeOffBench,
  turnDevice,
} from './edits/benches.js'
export { addBoard, addDevice, addModel, copyDevice, deleteDevice, editDevice } from './edits/devices.js'
export { setFit, setOwnLimits, setOwnReach, setHome, setRest, setSide, setSpan } from './edits/hands.js'
export {
  addControls,
  align,
  deleteControls,
  editControls,
  setDirections,
  shiftControls,
  type Alignment,
  type ControlChange,
} from './edits/controls.js'
export { addPage, deletePage, setOpens, setPageProgram } from './edits/pages.js'
export { carryButtons, type Destination } from './edits/carry.js'
export { addPopup, deletePopup, editPopup } from './edits/popups.js'
export {
  addIcon,
  dropStock,
  putStock,
  setIcon,
  setKeyLabel,
  setKeyWords,
  setLabelRule,
  setLabelText,
  setShortText,
} from './edits/labels.js'
export { resetWeights, setWeight, setStandardsFree, toggleRule } from './edits/rules.js'
export { joinIdeas, partIdeas, setWordPairs } from './edits/memory.js'
export { longestChain, placeChain } from './edits/chains.js'
export {
  acceptClash,
  addOwnKey,
  reopenClash,
  setComposeCode,
  setInputMethod,
  setOwnKeys,
  setProbe,
  toggleSystemKey,
} from './edits/findings.js'
export {
  addStep,
  addUnknown,
  deleteRoutine,
  editRoutine,
  keepRoutine,
  moveStep,
  setMeanwhile,
  removeStep,
} from './edits/routines.js'
export { leaveEmpty, putBack } from './edits/left-empty.js'
export { chooseBench, setOwnFigures, setPlanSettings } from './edits/settings.js'
export { takeCommands, takeUsage } from './edits/imports.js'
export { allowMove, declineConsequences, declineMove } from './edits/decline.js'
export type { OwnFigures, OwnLearning, OwnSlip, OwnSlips } from './own-figures.js'
export { isOnBench, onBench } from './on-bench.js'
export { clearBenchPlaces, placeOnBench } from './edits/bench-places.js'
export { forgetKeyFile, keepKeyFile } from './edits/key-files.js'
export { leaveStandard, sayWhyDeviating } from './edits/follow.js'
