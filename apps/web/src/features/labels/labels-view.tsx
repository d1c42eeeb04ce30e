export function LabelsView() {
  return null
}
