import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { artefactOf } from '../../artefacts/registry';
import { Notes } from '../../differences/Notes';
import { Otherwise } from '../../differences/Otherwise';
import { ScriptViews } from '../../differences/ScriptViews';
import { ScriptWithNotes, type ScriptView } from '../../differences/ScriptWithNotes';
import { show } from '../../ui/marks';
import { left } from '../../ui/time';
import { LineTable } from '../marking/LineTable';

interface TriedProps {
  title: string;
  line: string;
  tried: Schemas['TriedReply'];
  /** How long it took, in milliseconds. */
  took: number;
  /** What the part allows, in minutes. */
  minutes: number | null;
  back: string;
  onDrawOn: () => void;
  onAfresh: () => void;
}

/** One's own drawing as it would be marked, with one's own figures. */
export function Tried({ title, line, tried, took, minutes, back, onDrawOn, onAfresh }: TriedProps) {
  const [view, setView] = useState<ScriptView>('over');
  const [lines, setLines] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const { result } = tried;
  const drawn = artefactOf().contents(tried.drawing);
  return (
    <ScriptWithNotes
      title={title}
      line={line}
      scenarioHtml={tried.scenarioHtml}
      drawing={tried.drawing}
      modelDrawing={tried.modelDrawing}
      modelSentences={tried.modelSentences}
      result={result}
      evidence={tried.evidence}
      view={view}
      open={open}
      onOpen={setOpen}
      margin={({ placed, levelOf, look, rows }) => (
        <div className="min-h-full flex flex-col">
          <p className="total">
            <strong>{show(result.total)}</strong> of {show(result.maximum)}, your own try
          </p>
          <p className="text-[14px]">
            {drawn ? `You drew ${listed.format(drawn.counts)}` : 'You drew nothing'} in {left(took)}
            {minutes !== null && `; your students have ${minutes} minutes`}. Nothing of it counts.
          </p>
          <ScriptViews
            label="How your drawing is shown"
            view={view}
            lines={lines}
            model
            onView={setView}
            onLines={setLines}
          />
          <Otherwise result={result} />
          {lines ? (
            <LineTable lines={result.lines} placed={placed} onOpen={(note) => (setLines(false), setOpen(note))} />
          ) : (
            <Notes
              result={result}
              placed={placed}
              open={open}
              onOpen={setOpen}
              levelOf={view === 'over' ? levelOf : () => null}
              look={look}
            />
          )}
          {!lines && rows}
          <p className="margin-foot text-[14px] flex flex-wrap gap-x-5">
            <button className="word-button main" onClick={onDrawOn}>
              draw on
            </button>
            <button className="word-button" onClick={onAfresh}>
              begin once more
            </button>
            <Link className="word-button" to={back}>
              back to the exercise
            </Link>
          </p>
        </div>
      )}
    />
  );
}

const listed = new Intl.ListFormat('en');
