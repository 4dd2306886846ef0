import type { Assembly, AssemblyStep, Body } from '../../assembly/assembly';
import type { BodyRef, Joint } from '../../assembly/joint';
import { FoldRefused } from '../../folding/fold-refused';
import type { Pose } from '../../folding/pose';
import { compose, IDENTITY, type Transform } from '../../folding/transform';
import { OCTAGON } from '../../rooms/octagon';
import type { FormSizes, MadeEntry } from '../form';
import { ringOf } from './assemble-ring';
import { UNITS, type UnitKind } from './frame';
import { groupsOf, ringKey } from './layouts';
import type { OctagonBoxParams } from './octagon-box';

/** How far the lid is lifted where the box is open, in heights of its wall. */
const LIFTED = 2.6;

const up = (mm: number): Transform => [...IDENTITY.slice(0, 9), 0, 0, mm];
const TURNED_OVER: Transform = [1, 0, 0, 0, -1, 0, 0, 0, -1, 0, 0, 0];

/** Which copy of which entry stands at each place of a ring. */
function placesOf(kind: UnitKind, { colours }: OctagonBoxParams): readonly BodyRef[] {
  const places: BodyRef[] = [];
  groupsOf(colours).forEach((group, g) =>
    group.forEach((place, copy) => (places[place] = { entry: ringKey(kind, g), copy })),
  );
  return places;
}

const wallMm = ({ outer, rooms: [room] }: FormSizes): number =>
  (outer.heightMm + OCTAGON.schema.parse(room).sizes.heightMm) / 2;

/** Puts a ring together unit by unit; both ends of each step are proved by the joints made so far. */
function ringSteps(kind: UnitKind, { bodies, joints }: ReturnType<typeof ringOf>): AssemblyStep[] {
  const noun = kind === 'base' ? 'base' : 'lid';
  const words = (k: number): string => {
    const slides =
      'Slide the next unit’s tab from the right under the bottom flap of the last one, over its kite-shaped flap, until its fold stops in the corner.';
    const floor =
      kind === 'base'
        ? 'On the floor it goes under the pleat; its long tip passes outside, beneath the last one.'
        : 'On the floor it lies on top; its long tip stays inside, on the one before.';
    if (k === UNITS - 1)
      return `${slides} The last tip goes under the first one: put the first unit’s tab into this pocket, and push all joints home, opposite sides by turns.`;
    return k >= 5
      ? `${slides} ${floor} From here on its tip meets the first one’s: it goes under that.`
      : `${slides} ${floor}`;
  };
  return bodies.slice(1).map((_, i): AssemblyStep => {
    const k = i + 1;
    const there = bodies.slice(0, k + 1);
    const has = ({ entry, copy }: BodyRef): boolean =>
      there.some(({ ref }) => ref.entry === entry && ref.copy === copy);
    const held = (joint: Joint): boolean =>
      joint.kind === 'slotted'
        ? has(joint.tab.body) && joint.between.every(({ body }) => has(body))
        : joint.kind === 'under' && has(joint.layer.body) && has(joint.of.body);
    return {
      id: `${noun}-unit-${k + 1}`,
      title: k === UNITS - 1 ? `The last unit closes the ${noun}` : `Unit ${k + 1} of the ${noun}`,
      words: words(k),
      puts: there.map(({ ref, shape, motion }) => ({ ref, pose: shape as Pose, motion })),
      joints: joints.filter(held),
    };
  });
}

/** The base as a ring, its tips wrapped, and the lid over it. */
export function assembleOctagon(made: ReadonlyMap<string, MadeEntry>, params: OctagonBoxParams): Assembly {
  const basePlaces = placesOf('base', params);
  const loose = ringOf(made, basePlaces, 'base');
  const base = params.lock === 'wrapped' ? ringOf(made, basePlaces, 'locked base') : loose;
  const steps = ringSteps('base', loose);
  const asPuts = (bodies: readonly Body[]) =>
    bodies.map(({ ref, shape, motion }) => ({ ref, pose: shape as Pose, motion }));
  if (params.lock === 'wrapped')
    steps.push({
      id: 'base-lock',
      title: 'Wrap the tips',
      words:
        'A small piece of tape at each wall joint inside, if you like. Turn the base over and push the raised star down. Wrap each tip round the fold that it crosses and tuck it behind both layers of that fold; then press the corners to centre the star.',
      puts: asPuts(base.bodies),
      joints: base.joints,
    });
  if (params.lid === 'none') return { states: { closed: base.bodies }, joints: base.joints, steps };
  const lid = ringOf(made, placesOf('lid', params), 'lid');
  const [below, above] = (['base', 'lid'] as const).map((key) => made.get(key)!.sizes);
  if (above.outer.lengthMm <= below.outer.lengthMm)
    throw new FoldRefused('crosses', 'The lid is no larger than its base: it does not go over it.');
  const lidAt = (liftMm: number): readonly Body[] =>
    lid.bodies.map((body) => ({
      ...body,
      motion: compose(up(wallMm(above) + liftMm), compose(TURNED_OVER, body.motion)),
    }));
  const closed = [...base.bodies, ...lidAt(0)];
  const play = OCTAGON.schema.parse(above.rooms[0]).sizes.acrossMm - below.outer.lengthMm;
  const joints: Joint[] = [
    ...base.joints,
    ...lid.joints,
    {
      ...{ kind: 'over', lid: lid.bodies[0].ref, base: base.bodies[0].ref },
      play: { lengthMm: play, widthMm: play },
    },
  ];
  return {
    states: { closed, open: [...base.bodies, ...lidAt(LIFTED * wallMm(above))] },
    joints,
    steps: [
      ...steps,
      ...ringSteps('lid', lid),
      {
        id: 'lid-on',
        title: 'Put the lid on, and take it off',
        words:
          'Press all corners square. Lower the lid with a turning movement; the first time is the stiffest. To open, hold the base at two opposite sides and lift the lid with a finger from underneath.',
        puts: asPuts(closed),
        joints,
      },
    ],
  };
}
