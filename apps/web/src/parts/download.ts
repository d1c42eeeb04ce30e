/** Hands a file to the browser's download. */
export function download(content: string | Uint8Array<ArrayBuffer>, fileName: string, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = fileName
  link.click()
  // the browser reads the address after this turn
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

/** Lets the person choose one file; null when they close the dialog without choosing. */
export function chooseFile(accept: string): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input')
    input.type = 'file'
    input.accept = accept
    input.onchange = () => resolve(input.files?.[0] ?? null)
    input.oncancel = () => resolve(null)
    input.click()
  })
}
