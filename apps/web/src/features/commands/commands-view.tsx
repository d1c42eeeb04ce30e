export function CommandsView() {
  return null
}
