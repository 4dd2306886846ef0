import { TABLE_KEYS, tableAction } from './table-keys';

function pressed(
  key: string,
  on: HTMLElement = document.body,
  more: KeyboardEventInit = {},
): ReturnType<typeof tableAction> {
  if (on !== document.body) document.body.append(on);
  let action: ReturnType<typeof tableAction> = null;
  const listen = (event: KeyboardEvent): void => void (action = tableAction(event));
  window.addEventListener('keydown', listen, { once: true });
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
  if (on !== document.body) on.remove();
  return action;
}

const made = (tag: string, attributes: Readonly<Record<string, string>> = {}): HTMLElement => {
  const element = document.createElement(tag);
  Object.entries(attributes).forEach(([name, value]) => element.setAttribute(name, value));
  return element;
};

describe('keys at the table', () => {
  it('no key has two meanings', () => {
    const all = TABLE_KEYS.flatMap(({ keys }) => keys as readonly string[]);
    expect(new Set(all).size).toBe(all.length);
  });

  it('space and the right arrow go on, the left one goes back; so do the two halves of a pedal', () => {
    expect([' ', 'ArrowRight', 'ArrowLeft', 'x'].map((key) => pressed(key))).toEqual(['next', 'next', 'back', null]);
    expect(['PageDown', 'PageUp'].map((key) => pressed(key))).toEqual(['next', 'back']);
  });

  it('leave typing, shortcuts and open dialogs alone', () => {
    expect(pressed('t', made('input'))).toBeNull();
    expect(pressed('t', made('textarea'))).toBeNull();
    expect(pressed('t', made('div', { role: 'dialog' }))).toBeNull();
    expect(pressed('t', document.body, { ctrlKey: true })).toBeNull();
  });

  it('space presses the button that has the focus, arrows still turn the page', () => {
    expect(pressed(' ', made('button'))).toBeNull();
    expect(pressed('ArrowRight', made('button'))).toBe('next');
  });
});
