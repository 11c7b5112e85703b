/** Hands a file to the browser to save. */
export function download(name: string, content: string | Blob, type?: string): void {
  const url = URL.createObjectURL(
    content instanceof Blob ? content : new Blob([content], type ? { type } : {}),
  );
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
