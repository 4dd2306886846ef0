import {
  type BlockSize,
  creasePicture,
  type Drawing,
  type FormStep,
  type Looking,
  makeTray,
  type ShownUnit,
  sizeTray,
  stepPictures,
  type StepPictures,
  TooLarge,
  type TrayRequest,
  trayScene,
  type TrayScene,
  type TraySizing,
} from '@odd-corner/core';

export type SizeAnswer =
  { readonly ok: true; readonly sizing: TraySizing } | { readonly ok: false; readonly why: string };

/** One part at its sheet. */
export interface PartAsked {
  readonly formId: string;
  readonly part: 'tray' | 'eared-lid';
  readonly sheetMm: number;
  readonly wallMm: number | null;
  readonly thicknessMm: number;
}

export interface SceneAsked {
  readonly tray: PartAsked;
  readonly lid: PartAsked;
  readonly block: BlockSize | null;
}

/** A step ready to be shown: words and pictures, no poses. */
export interface ShownStep extends Omit<FormStep, 'poses' | 'arrows'> {
  readonly pictures: StepPictures;
  readonly creasePattern: Drawing;
}

export interface StepsAsked extends PartAsked {
  readonly unit: ShownUnit;
  readonly looking: Looking;
}

const made = ({ part, sheetMm, wallMm, thicknessMm }: PartAsked, unit?: ShownUnit) =>
  makeTray({ sheetMm, params: { part, wallMm }, thicknessMm, unit });

/** The work that is done off the screen's thread, so that typing and turning pages never wait for it. */
export const foldingTasks = {
  /** Folds once, so that the first real answer finds the code warm. */
  warmUp(): void {
    sizeTray({
      block: { lengthMm: 60, widthMm: 45, heightMm: 22 },
      ease: 'easy',
      ruler: 'mm',
      walls: 'folded',
      thicknessMm: 0.1,
    });
  },

  size(request: TrayRequest): SizeAnswer {
    try {
      return { ok: true, sizing: sizeTray(request) };
    } catch (error) {
      if (error instanceof TooLarge) return { ok: false, why: error.message };
      throw error;
    }
  },

  scene({ tray, lid, block }: SceneAsked): TrayScene {
    return trayScene(made(tray), made(lid), block);
  },

  steps({ unit, looking, ...part }: StepsAsked): ShownStep[] {
    return made(part, unit).folding.steps.map(({ poses, arrows, ...words }) => ({
      ...words,
      pictures: stepPictures({ poses, arrows, ...words }, looking),
      creasePattern: creasePicture(poses[poses.length - 1], words.creases),
    }));
  },

  /** Inside and outside sizes and the crease pattern, for trying sheets and walls. */
  part(asked: PartAsked) {
    const { sizes, folding } = made(asked);
    return { sizes, creasePattern: creasePicture(folding.finished) };
  },
};

export type FoldingTasks = typeof foldingTasks;
