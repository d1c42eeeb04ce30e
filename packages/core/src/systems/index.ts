export {
  ownSystemKeysSchema,
  systemActions,
  systemAreas,
  systemTakes,
  systemTrigger,
  type OwnSystemKeys,
  type SystemArea,
  type SystemKey,
  type SystemKeys,
  type SystemTake,
} from './system-keys.js'
export { gnomeKeys, readGnomeDump, type GnomeDump } from './gnome-dump.js'
