import { memo } from 'react';
import { LineFigure } from './Figures';
import { rowsOf } from '../../drawing/document';
import type { Scene } from '../../geometry/scene';
import type { Selection } from '../../drawing/selection';
import { ShapeFigure } from './ShapeFigure';

interface SceneFiguresProps {
  scene: Scene;
  selection: Selection;
  lit: ReadonlySet<string>;
  ochre: ReadonlySet<string>;
  ochreRows: ReadonlySet<string>;
  hidden?: ReadonlySet<string>;
  /** When given, just these elements, or all but these. */
  only?: ReadonlySet<string> | null;
  leaveOut?: ReadonlySet<string> | null;
}

/**
 * The figures of a scene, lines beneath boxes. What moves is painted on a layer of its own, so that what stands still is
 * neither rendered nor painted again while one drags.
 */
export const SceneFigures = memo(function SceneFigures({
  scene,
  selection,
  lit,
  ochre,
  ochreRows,
  hidden,
  only,
  leaveOut,
}: SceneFiguresProps) {
  const shown = ({ id }: { readonly id: string }) => !hidden?.has(id) && (only ? only.has(id) : !leaveOut?.has(id));
  return (
    <>
      {[...scene.drawing.lines.values()].filter(shown).map((line) => (
        <LineFigure
          key={line.id}
          line={line}
          route={scene.routes.get(line.id)!}
          texts={scene.texts.get(line.id) ?? []}
          selected={selection.ids.has(line.id) && !selection.end}
          selectedEnd={selection.end?.line === line.id ? selection.end.side : null}
          lit={lit.has(line.id)}
          tint={ochre.has(line.id) ? 'ochre' : 'chalk'}
        />
      ))}
      {[...scene.drawing.shapes.values()].filter(shown).map((shape) => (
        <ShapeFigure
          key={shape.id}
          shape={shape}
          box={scene.boxes.get(shape.id)!}
          selected={selection.ids.has(shape.id)}
          focusRow={selection.row}
          lit={lit.has(shape.id)}
          litRows={rowsOf(shape).some((row) => lit.has(row.id)) ? lit : undefined}
          tint={ochre.has(shape.id) ? 'ochre' : 'chalk'}
          tintedRows={ochreRows}
          hidden={hidden}
        />
      ))}
    </>
  );
});
