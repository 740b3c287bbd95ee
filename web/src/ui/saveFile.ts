/** Hands a text to the person as a file. */
export function saveFile(name: string, text: string) {
  const address = URL.createObjectURL(new Blob([text], { type: 'text/plain;charset=utf-8' }));
  const link = document.createElement('a');
  link.href = address;
  // Names come from people; what a file system cannot take is left out.
  link.download = name.replace(/[^\p{L}\p{N}. -]/gu, '');
  link.click();
  URL.revokeObjectURL(address);
}
