// Folds every form a few hundred times, so that the first answer does not have to: part of the build.
import { writeFileSync } from 'node:fs';
import { learnSizes } from '@odd-corner/core';

writeFileSync(new URL('../web/public/known-sizes.json', import.meta.url), JSON.stringify(learnSizes()));
