export function ClashesView() {
  return null
}
