/** Gives something to whoever looks, as a file of theirs. */
export function saveFile(fileName: string, content: Blob): void {
  const address = URL.createObjectURL(content)
  const link = document.createElement('a')
  link.href = address
  link.download = fileName
  link.click()
  URL.revokeObjectURL(address)
}

export const saveText = (fileName: string, text: string, type: string): void =>
  saveFile(fileName, new Blob([text], { type }))
