// Makes src/BlueSlate.Core/Language/Lexicon/words.gz from the WordNet 3.0 files of Debian's package wordnet-base.
// What is kept: words and pairs of words in small letters with their first senses, what senses are kinds of, and what
// words are derived from each other. Its form is described in docs/formats/lexicon.md. Run: node scripts/lexicon.mjs
import { readFileSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const source = '/usr/share/wordnet';
const target = new URL('../src/BlueSlate.Core/Language/Lexicon/words.gz', import.meta.url);
const kinds = { noun: ['n', 4], verb: ['v', 4], adj: ['a', 3] };
// Of living things, bodies and substances only what texts mention at all: lists of species are of no use here.
const sparse = new Set(['05', '08', '20', '27']);
const word = /^[a-z]+([ -][a-z]+)?$/;

const lines = (file) => readFileSync(`${source}/${file}`, 'utf8').split('\n').filter((line) => line && !line.startsWith('  '));
const spell = (text) => text.replaceAll('_', ' ').replace(/\([a-z]+\)$/, '');

const synsets = new Map();
for (const [file, [kind]] of Object.entries(kinds)) {
  for (const line of lines(`data.${file}`)) {
    const fields = line.split(' ');
    const count = parseInt(fields[3], 16);
    const words = Array.from({ length: count }, (_, i) => spell(fields[4 + 2 * i]));
    const at = 4 + 2 * count;
    const pointers = Array.from({ length: Number(fields[at]) }, (_, i) => fields.slice(at + 1 + 4 * i, at + 5 + 4 * i));
    synsets.set(kind + fields[0], { words, pointers, sparse: kind === 'n' && sparse.has(fields[1]) });
  }
}

const kindOf = { n: 'n', v: 'v', a: 'a', s: 'a' };
const lemmas = new Map();
for (const [file, [kind, most]] of Object.entries(kinds)) {
  for (const line of lines(`index.${file}`)) {
    const fields = line.trim().split(' ');
    const lemma = spell(fields[0]);
    const skip = 4 + Number(fields[3]);
    const tagged = Number(fields[skip + 1]);
    const senses = fields.slice(skip + 2).slice(0, most).map((offset) => kind + offset);
    const written = senses.filter((id) => synsets.get(id).words.includes(lemma) && (tagged > 0 || !synsets.get(id).sparse));
    if (!word.test(lemma) || written.length === 0) continue;
    const known = lemmas.get(lemma) ?? { senses: [], derived: new Set() };
    known.senses.push(...written);
    lemmas.set(lemma, known);
  }
}

const derivation = new Set(['+', '\\', '<']);
for (const { words, pointers } of synsets.values()) {
  for (const [symbol, offset, kind, places] of pointers) {
    const other = synsets.get(kindOf[kind] + offset);
    if (!derivation.has(symbol) || !other) continue;
    const [from, to] = [words[parseInt(places.slice(0, 2), 16) - 1], other.words[parseInt(places.slice(2), 16) - 1]];
    if (from !== to && lemmas.has(from) && lemmas.has(to)) lemmas.get(from).derived.add(to);
  }
}

// Senses are numbered in the order in which words use them; what a sense is a kind of, or similar to, follows.
const numbers = new Map();
const number = (id) => numbers.get(id) ?? (numbers.set(id, numbers.size), numbers.size - 1);
const sorted = [...lemmas.keys()].sort();
for (const lemma of sorted) lemmas.get(lemma).senses.forEach(number);
const above = [];
for (const id of numbers.keys()) {
  above[numbers.get(id)] = synsets.get(id).pointers
    .filter(([symbol, offset, kind]) => ['@', '@i', '&'].includes(symbol) && synsets.has(kindOf[kind] + offset))
    .map(([, offset, kind]) => number(kindOf[kind] + offset));
}

const irregular = ['noun', 'verb'].flatMap((file) => readFileSync(`${source}/${file}.exc`, 'utf8').split('\n').filter(Boolean)
  .map((line) => [file, ...line.split(' ')]).filter(([, form, base]) => word.test(form) && lemmas.has(base) && form !== base)
  .map(([kind, form, base]) => `${kind[0]} ${form} ${base}`));
const notice = readFileSync(`${source}/data.noun`, 'utf8').split('\n').filter((line) => line.startsWith('  ')).map((line) => line.replace(/^ +\d+ */, '').trim());

const text = [
  ...notice.map((line) => `# ${line}`.trim()),
  ...sorted.map((lemma) => `w ${lemma}\t${lemmas.get(lemma).senses.map((id) => id[0] + numbers.get(id).toString(36)).join(' ')}\t${[...lemmas.get(lemma).derived].sort().join(',')}`),
  ...above.map((list, i) => (list.length ? `s ${i.toString(36)}\t${list.map((n) => n.toString(36)).join(' ')}` : '')).filter(Boolean),
  ...irregular.map((line) => `i ${line}`),
].join('\n');
writeFileSync(target, gzipSync(`${text}\n`, { level: 9 }));
console.log(`${sorted.length} words, ${numbers.size} senses, ${irregular.length} irregular forms`);
