/** What a key does at the table. */
export const TABLE_KEYS = [
  { keys: ['ArrowRight', ' ', 'PageDown'], does: 'next', shown: '→, space or pedal', words: 'next step' },
  { keys: ['ArrowLeft', 'PageUp'], does: 'back', shown: '← or pedal', words: 'step back' },
  { keys: ['t'], does: 'turn', shown: 't', words: 'turn the view, as the paper turns' },
  { keys: ['v'], does: 'side', shown: 'v', words: 'see the other side' },
  { keys: ['c'], does: 'creases', shown: 'c', words: 'crease pattern' },
  { keys: ['p'], does: 'moving', shown: 'p', words: 'see it move, or not' },
  { keys: ['m'], does: 'measures', shown: 'm', words: 'measurements' },
  { keys: ['d'], does: 'differs', shown: 'd', words: 'my paper looks different' },
  { keys: ['g'], does: 'grid', shown: 'g', words: 'all copies, stage by stage' },
  { keys: ['f'], does: 'fill', shown: 'f', words: 'fill the screen, or not' },
  { keys: ['b'], does: 'aloud', shown: 'b', words: 'read aloud' },
  { keys: ['?'], does: 'help', shown: '?', words: 'keys and lines' },
] as const;

export type TableAction = (typeof TABLE_KEYS)[number]['does'];

/** The action of a key press, or null when it is not for the table: typed into a field, or with a modifier held. */
export function tableAction(event: KeyboardEvent): TableAction | null {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return null;
  const target = event.target instanceof Element ? event.target : null;
  if (target?.closest('input, textarea, [role="combobox"], [role="dialog"], [role="img"][tabindex]')) return null;
  // Space presses the button that has the focus.
  if (event.key === ' ' && target?.closest('button, a, [role="button"]')) return null;
  return TABLE_KEYS.find(({ keys }) => (keys as readonly string[]).includes(event.key))?.does ?? null;
}
