/** Hands text to the browser as a file to keep. */
export function takeAlong(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The download has read the address by the next turn of the loop.
  setTimeout(() => URL.revokeObjectURL(url));
}
