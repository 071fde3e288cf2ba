/** Hands a text, or bytes, to the browser as a file. */
export function download(name: string, content: string | Uint8Array<ArrayBuffer>, type = "application/json"): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[^\w.-]+/g, "-");
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
