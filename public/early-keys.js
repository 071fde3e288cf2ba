// Keys pressed before the program is there to hear them: the shell the server has made shows their caps, so they are held and handed over (see src/ui/keys/early-keys.ts).
(() => {
  const held = [];
  const hold = (key, code) => held.length < 8 && held.push({ key, code, at: performance.now() });
  const pressed = (event) => {
    const { key, code, ctrlKey, metaKey, altKey, target } = event;
    if (key?.length === 1 && !ctrlKey && !metaKey && !altKey && target === document.body) hold(key, code);
  };
  const tapped = ({ target }) => {
    const cap = target.closest?.("[data-early-key]");
    if (cap) hold(cap.dataset.earlyKey, `Key${cap.dataset.earlyKey.toUpperCase()}`);
  };
  addEventListener("keydown", pressed);
  addEventListener("click", tapped);
  window.earlyKeys = () => {
    removeEventListener("keydown", pressed);
    removeEventListener("click", tapped);
    return held.splice(0);
  };
})();
