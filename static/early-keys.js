// What is typed on a sheet's page before its editor is there; the editor takes it when it opens.
(() => {
  const early = { text: '', open: true };
  window.earlyKeys = early;
  const isField = (target) =>
    target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea, select'));
  addEventListener('keydown', (event) => {
    if (!early.open || !/^\/a\/[^/]+\/?$/.test(location.pathname) || isField(event.target)) return;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key.length === 1) early.text += event.key;
    else if (event.key === 'Enter') early.text += '\n';
    else if (event.key === 'Backspace') early.text = early.text.slice(0, -1);
    else return;
    event.preventDefault();
  });
})();
