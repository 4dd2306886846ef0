import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type HeartStep = 'half' | 'bands' | 'slant' | 'corners' | 'turnedIn' | 'pleats' | 'slit' | 'crimp' | 'bend' | 'use';

export function heartWords(
  marks: { readonly heightMm: number; readonly cutMm: number; readonly tabMm: number; readonly ruled: boolean },
  unit: ShownUnit = 'mm',
): Readonly<Record<HeartStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  return {
    half: {
      id: 'half',
      title: 'Half',
      words: 'White side up, fold the near edge to the far edge, and leave it so.',
      check: 'Colour outside, the fold nearest you, the two raw edges away from you.',
      slip: { what: 'White is outside.', remedy: 'Fold it the other way, unless you want a white box.' },
      crease: 'sharp',
    },
    bands: {
      id: 'bands',
      title: 'Middle and bands',
      words: `Crease the upright middle. Then crease, through both layers, a line ${mm(marks.heightMm)} from each of the four edges, and open.`,
      check: 'In each corner of the packet lies a square as wide as the walls are high.',
      slip: { what: 'The squares differ.', remedy: 'Crease the line that is off again: the rim would step.' },
      crease: 'sharp',
    },
    slant: {
      id: 'slant',
      title: 'Slant from the point',
      words:
        'Bring the left part of the near level line onto the upright middle. Pinch only from the crossing up to the far level line, on both layers, and open.',
      check: 'It runs at half a right angle from the crossing.',
      slip: {
        what: 'It begins beside the crossing.',
        remedy: 'Pinch it again: the point of the heart would not be square.',
      },
      crease: 'sharp',
    },
    corners: {
      id: 'lobe-corners',
      title: 'Cut the lobes’ corners',
      words: `Along the bands mark ${mm(marks.cutMm)} from each corner of the inner field, both ways. Pinch the slanting line between each pair of marks.`,
      check: 'Each lobe has three equal sides.',
      slip: { what: 'They are not equal.', remedy: 'Mark them again from the corners of the inner field.' },
      crease: 'pinch',
    },
    turnedIn: {
      id: 'corners-in',
      title: 'Turn the packet’s corners in',
      words:
        'At the two near corners push the folded edge in between the layers. At the two far corners turn each layer’s corner in between. The folds run beside the slanting pinches, a wall’s height away.',
      check: 'A field of eight sides, no loose corner outside.',
      slip: { what: 'A corner lies outside.', remedy: 'Open it and turn it in between the layers.' },
      crease: 'sharp',
    },
    pleats: {
      id: 'pleat-lines',
      title: 'Lines of the pleats',
      words:
        'At each of the eight marks two lines run square to the two edges that meet there, and one half way between them, to the rim. Pinch all three on both layers.',
      check: 'The lines half way end exactly on the corners of the field.',
      slip: {
        what: 'They end beside them.',
        remedy: 'The corner was turned in at the wrong distance: move that fold.',
      },
      crease: 'pinch',
    },
    slit: {
      id: 'slit',
      title: 'Slit the notch',
      words: `Cut both layers from the far edge straight down to the right end of the notch, then along the far level line to the left, exactly to the end of the slant. Trim the freed flap to ${mm(marks.tabMm)}.`,
      check: 'A short tab stays on the left arm.',
      slip: { what: 'The cut went too far.', remedy: 'Back it with a little tape between the layers.' },
      crease: 'none',
      caution: 'A knife and a ruler on a mat; cut away from your fingers.',
    },
    crimp: {
      id: 'point',
      title: 'Form the point',
      words:
        'Raise the near band, left and right. At the crossing the upright crease becomes a corner: the slant a valley, the middle a ridge that comes to lie along the left part of the band. The right arm slides over the left.',
      check: 'The two arms stand square to each other.',
      slip: { what: 'The left arm lies on top.', remedy: 'Slide the right one over it: tab and slit belong to that.' },
      crease: 'sharp',
    },
    bend: {
      id: 'bends',
      title: 'Raise the walls round both lobes',
      words:
        'Working from the point to the notch on each side, raise the walls and take up a pleat at each mark, towards the point, its paper between the two layers. At the notch bend the tab and slide it between the layers of the other wall.',
      check: 'A heart with upright walls, as high all round.',
      slip: {
        what: 'Two pleats lie on one narrow wall.',
        remedy: 'One goes the wrong way: all lie on the wall nearer the point.',
      },
      crease: 'soft',
    },
    use: {
      id: 'close-and-open',
      title: 'Close and open it',
      words:
        'Put it under a book with its lid on for an hour: the bends calm down. Lower the lid point first. To open, push up at the point from beneath; never pull at the notch, only a tab holds it.',
      check: 'The lid reaches down all round.',
      slip: {
        what: 'The lid is tight.',
        remedy: 'Press the pleats of the base with a nail, or take the next larger sheet for the lid.',
      },
      crease: 'none',
    },
  };
}
