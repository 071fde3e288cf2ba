// Runs before the first paint; src/ui/settings/look.tsx takes over from here.
(() => {
  let look = {};
  try {
    look = JSON.parse(localStorage.getItem("tastatura-settings") ?? "{}").look ?? {};
  } catch {
    // Settings that cannot be read are told by the settings screen; the page itself stays as usual.
  }
  const { dataset } = document.documentElement;
  const dark = look.theme === "machine" ? matchMedia("(prefers-color-scheme: dark)").matches : look.theme === "dark";
  dataset.theme = dark ? "dark" : "light";
  dataset.contrast =
    look.contrast === "high" || matchMedia("(prefers-contrast: more)").matches ? "high" : "usual";
})();
