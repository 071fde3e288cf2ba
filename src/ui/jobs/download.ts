/** Hands a text to the browser as a file. */
export function download(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: "application/json" }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[^\w.-]+/g, "-");
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
