/** Hands a text, or bytes, to the person as a file. */
export function saveFile(name: string, content: string | Blob) {
  const blob = typeof content === 'string' ? new Blob([content], { type: 'text/plain;charset=utf-8' }) : content;
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  // Names come from people; what a file system cannot take is left out.
  link.download = name.replace(/[^\p{L}\p{N}\p{M},.() -]/gu, '');
  link.click();
  URL.revokeObjectURL(address);
}
