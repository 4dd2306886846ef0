import type { ShownStep } from '../../workers/folding-tasks';
import type { Savable } from './save-picture';

/** The pictures of a step that can be kept. */
export const picturesOf = ({ pictures, creasePattern }: ShownStep): readonly Savable[] => [
  { name: 'Before', drawing: pictures.now },
  ...(pictures.between ? [{ name: 'Folded', drawing: pictures.between }] : []),
  { name: 'Afterwards', drawing: pictures.then },
  { name: 'Creases', drawing: creasePattern },
];
