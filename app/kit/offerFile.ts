/** Hands a file to the person, as a download with a name of its own. */
export function offerFile(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = url
  link.download = name.replace(/[\\/:*?"<>|]+/g, ' ').trim()
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}
