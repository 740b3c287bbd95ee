import { Views } from '../ui/Views';
import type { ScriptView } from './ScriptWithNotes';

const views = [
  ['over', 'over'],
  ['beside', 'beside'],
  ['words', 'in words'],
  ['lines', 'mark lines'],
] as const;

/** What can be shown only where the model answer is. */
const withModel: readonly string[] = ['beside', 'words'];

interface ScriptViewsProps {
  label: string;
  view: ScriptView;
  /** Whether the mark lines stand in the margin instead of the notes. */
  lines: boolean;
  /** Whether the model answer may be seen. */
  model: boolean;
  onView: (view: ScriptView) => void;
  onLines: (lines: boolean) => void;
}

/** How a marked answer is shown: its differences over or beside the model answer or in words, or what its lines earned. */
export function ScriptViews({ label, view, lines, model, onView, onLines }: ScriptViewsProps) {
  return (
    <Views
      label={label}
      value={lines ? 'lines' : view}
      choices={views.filter(([name]) => model || !withModel.includes(name))}
      onChoose={(next) => {
        onLines(next === 'lines');
        if (next !== 'lines') onView(next);
      }}
    />
  );
}
