/** Hands a text to the browser as a file to be saved. */
export function saveFile(name: string, type: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  // The browser has taken the address by the time the next task runs.
  setTimeout(() => URL.revokeObjectURL(link.href));
}
