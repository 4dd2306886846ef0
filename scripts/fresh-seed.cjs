// Run by hand, properties draw from a fresh seed, which is told so that a run can be repeated.
module.exports = () => {
  if (process.env.CI === 'true' || process.env.FC_SEED !== undefined) return;
  process.env.FC_SEED = String(Math.floor(Math.random() * 2 ** 31));
  console.log(
    `\nProperties draw from seed ${process.env.FC_SEED}; FC_SEED=${process.env.FC_SEED} draws the same again.`,
  );
};
