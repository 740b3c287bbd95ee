import type { Schemas } from '../../api/client';
import type { Assessment } from './useAssessment';

type Standing = Schemas['Standing'];

interface OtherWaysProps {
  ways: readonly Schemas['RestatementChoice'][];
  assessment: Assessment;
  editable: boolean;
}

const choices: readonly (readonly [Standing, string])[] = [
  ['same', 'as good'],
  ['in-part', 'in part'],
  ['different', 'a difference'],
];

/** What other ways of drawing the same are worth here. */
export function OtherWays({ ways, assessment, editable }: OtherWaysProps) {
  const said = assessment.value.restatements ?? {};
  const choose = (way: Schemas['RestatementChoice'], standing: Standing) => {
    const others = Object.entries(said).filter(([code]) => code !== way.code);
    const restatements = Object.fromEntries(standing === way.usual ? others : [...others, [way.code, standing]]);
    assessment.change({ ...assessment.value, restatements });
  };
  return (
    <section aria-label="Other ways to draw it">
      <h2 className="mt-7 mb-1">Other ways to draw it</h2>
      {ways.map((way) => {
        const now = said[way.code] ?? way.usual;
        return (
          <div key={way.code} className="py-2 border-t border-hairline text-[14px]">
            <p id={`way-${way.code}`}>{way.title}</p>
            <div className="decisions way" role="radiogroup" aria-labelledby={`way-${way.code}`}>
              {choices.map(([standing, word]) => (
                <button
                  key={standing}
                  role="radio"
                  aria-checked={now === standing}
                  disabled={!editable}
                  onClick={() => now !== standing && choose(way, standing)}
                >
                  {word}
                </button>
              ))}
            </div>
          </div>
        );
      })}
    </section>
  );
}

const linesOf = (groups: readonly (readonly string[])[] | undefined) =>
  (groups ?? []).map((group) => group.join(', ')).join('\n');

const groupsOf = (text: string) =>
  text
    .split('\n')
    .map((line) =>
      line
        .split(',')
        .map((word) => word.trim())
        .filter((word) => word !== ''),
    )
    .filter((group) => group.length > 1);

/** The words of the exercise that mean the same, and those that never do. */
export function OwnWords({ assessment, editable }: Omit<OtherWaysProps, 'ways'>) {
  const { sameWords, wordsApart } = assessment.value;
  return (
    <section aria-label="Words of this exercise">
      <h2 className="mt-7 mb-1">Words of this exercise</h2>
      <WordGroups
        label="These mean the same, one group a line: visit, call, drop-in"
        value={linesOf(sameWords)}
        editable={editable}
        onChange={(groups) => assessment.change({ ...assessment.value, sameWords: groups })}
      />
      <WordGroups
        label="These never mean the same: show, performance"
        value={linesOf(wordsApart)}
        editable={editable}
        onChange={(groups) => assessment.change({ ...assessment.value, wordsApart: groups })}
      />
    </section>
  );
}

interface WordGroupsProps {
  label: string;
  value: string;
  editable: boolean;
  onChange: (groups: string[][]) => void;
}

function WordGroups({ label, value, editable, onChange }: WordGroupsProps) {
  return (
    <label className="field mt-2">
      <span>{label}</span>
      <textarea
        key={value}
        rows={Math.max(2, value.split('\n').length + 1)}
        defaultValue={value}
        disabled={!editable}
        onBlur={(event) => {
          const groups = groupsOf(event.target.value);
          if (linesOf(groups) !== value) onChange(groups);
        }}
      />
    </label>
  );
}
