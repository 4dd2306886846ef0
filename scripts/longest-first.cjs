const Sequencer = require('@jest/test-sequencer').default;

/** Files that take longest, as far as is known: a worker that gets one of them last keeps the other waiting. */
const LONG = [
  'told.test',
  'follow.test',
  'ranked-answers.spec',
  'size-for.test',
  'all-forms.test',
  'explain-fit.test',
  'start-page.spec',
  'makes.test',
  'try-form.spec',
  'kept.test',
];

/** Runs the longest files first, where nothing is remembered of an earlier run. */
module.exports = class LongestFirst extends Sequencer {
  sort(tests) {
    const place = ({ path }) => {
      const at = LONG.findIndex((name) => path.includes(name));
      return at < 0 ? LONG.length : at;
    };
    return [...super.sort(tests)].sort((a, b) => place(a) - place(b));
  }
};
