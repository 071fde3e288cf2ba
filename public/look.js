// The chosen look, put on the page before the first paint, on every change of the settings and of the machine's own wish. The only place that does; settings are read and written by src/ui/settings/use-settings.ts.
(() => {
  const [dark, more] = [matchMedia("(prefers-color-scheme: dark)"), matchMedia("(prefers-contrast: more)")];
  const settings = () => {
    try {
      return JSON.parse(localStorage.getItem("tastatura-settings") ?? "{}");
    } catch {
      // Settings that cannot be read are taken as the usual ones, here as in the app.
      return {};
    }
  };
  const put = () => {
    const { theme, contrast } = settings().look ?? {};
    const { dataset } = document.documentElement;
    dataset.theme = theme === "dark" || (theme === "machine" && dark.matches) ? "dark" : "light";
    dataset.contrast = contrast === "high" || more.matches ? "high" : "usual";
  };
  put();
  addEventListener("storage", put);
  for (const wish of [dark, more]) wish.addEventListener("change", put);
})();
