// Which papers a test's properties look at. FC_SEED says it for all of them. Without it CI draws from the short list that is
// kept beside this file, each test by its name, so that a change is judged by what it changed; a seed that ever found a fault
// in a test is listed there under that test's name.
const fc = require('fast-check');
const { usual, found } = require('./property-seeds.json');

function seedFor(name) {
  const given = process.env.FC_SEED;
  if (given !== undefined) return Number(given);
  if (Object.hasOwn(found, name)) return found[name];
  let hash = 0;
  for (const c of name) hash = (31 * hash + c.codePointAt(0)) >>> 0;
  return usual[hash % usual.length];
}

fc.configureGlobal({ seed: seedFor('') });
beforeEach(() => fc.configureGlobal({ seed: seedFor(expect.getState().currentTestName ?? '') }));
