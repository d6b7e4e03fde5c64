/** Gives a text to the person as a file. */
export function saveFile(name: string, text: string, mediaType = 'application/json'): void {
  saveBlob(name, new Blob([text], { type: mediaType }));
}

/** The same of bytes that came as base64. */
export function saveBytes(name: string, base64: string, mediaType: string): void {
  const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
  saveBlob(name, new Blob([bytes], { type: mediaType }));
}

function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
