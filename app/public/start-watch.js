// Where the app does not start, says so and leads to what is unsent on this device.
const PATIENCE_MS = 20_000;
const AFTER_FAULT_MS = 2000;

const root = () => document.getElementById('root');
const isStarted = () => (root()?.childElementCount ?? 0) > 0 && document.getElementById('opening') === null;

function element(name, text, more = {}) {
  return Object.assign(document.createElement(name), { textContent: text, ...more });
}

function offer() {
  if (isStarted() || document.getElementById('start-trouble') !== null) return;
  const box = element('div', '', { id: 'start-trouble', role: 'alert' });
  box.style.cssText =
    'position:fixed;inset:0;overflow:auto;padding:32px 20px;font:17px/1.5 sans-serif;background:#f4f1ea;color:#1c2421';
  const again = element('button', 'Try again');
  again.style.cssText = 'font:inherit;min-height:48px;padding:0 20px';
  again.addEventListener('click', () => location.reload());
  const rescue = element('p', '');
  rescue.append(element('a', 'What is unsent on this device', { href: '/rescue.html' }));
  box.append(
    element('h1', 'Calvet has not started', { style: 'line-height:1.2' }),
    element(
      'p',
      'What you entered is kept on this device. Try again; if that does not help, save what is unsent.',
    ),
    again,
    rescue,
  );
  document.body.append(box);
  new MutationObserver((_changes, observer) => {
    if (!isStarted()) return;
    observer.disconnect();
    box.remove();
  }).observe(root(), { childList: true });
}

setTimeout(offer, PATIENCE_MS);
// A piece that cannot be fetched, or that fails before anything is shown.
for (const kind of ['error', 'unhandledrejection']) {
  window.addEventListener(kind, () => setTimeout(offer, AFTER_FAULT_MS), true);
}
