// What is small and yet hard to draw: one thing each, as the statements that say it.
const task = (notation, learned, scenario, lines) => ({
  question: { title: `A task in ${notation}`, parts: [{ title: '', marks: '10', learned: { notation, ...learned }, aids: { sentences: true, tidyUp: true } }] },
  scenario,
  lines,
});
const chen = { level: 'conceptual', doubleLineSaysAll: true, counts: 'letters', underlinesAreOneKey: true };
const crow = { level: 'conceptual', strokeSaysIdentifying: true };

export const tasks = {
  'weak-entity': task('chen', chen, 'A lighthouse has stairs, which have steps numbered within it.', [
    'Lighthouse: lighthouse no (key), height',
    'Step is weak: step no (partial key)',
    'Lighthouse contains 0 or more Step; Step goes with exactly 1 Lighthouse (identifying)',
  ]),
  ternary: task('chen', chen, 'A keeper cleans a lamp with a cloth.', [
    'Keeper: keeper no (key)',
    'Lamp: lamp no (key)',
    'Cloth: cloth no (key)',
    'cleans joins many Keeper, many Lamp and many Cloth',
  ]),
  'two-levels': task('chen', chen, 'Keepers and pilots are people; some keepers are apprentices, some are masters.', [
    'Person: person no (key)',
    'Keeper: since',
    'Pilot: licence',
    'Apprentice: term',
    'Master: seal',
    'Keeper and Pilot are kinds of Person (overlapping, partial)',
    'Apprentice and Master are kinds of Keeper (disjoint, partial)',
  ]),
  operations: task('uml', {}, 'A lamp burns and can be trimmed.', [
    'Lamp: number of type Integer (private), oil of type Integer (private)',
    'Lamp can burn giving Boolean (public)',
    'Lamp can trim given height of type Integer (public)',
  ]),
  'association-class': task('uml', {}, 'A keeper stands watches at lighthouses; of each the hours are kept.', [
    'Keeper: name of type String',
    'Lighthouse: height of type Integer',
    'Watch: hours of type Integer',
    'Keeper watches 0 or more Lighthouse; Lighthouse goes with 1 or more Keeper; as Watch',
  ]),
  recursive: task('crows-foot', crow, 'A keeper may have taught others.', [
    'Keeper: keeper no (key), name',
    'Keeper teaches 0 or more Keeper; Keeper is taught by 0 or 1 Keeper',
  ]),
};
