import type { Line } from '../../drawing/document';
import { mayHaveDiamond } from '../keys/formDeeds';
import { useDeedKeys } from '../keys/useDeedKeys';
import type { Slate } from '../useSlate';
import { Deed } from './Choices';

/** At a line between two boxes, where the notation says with a diamond what ties them. */
export function DiamondDeed({ slate, line }: { slate: Slate; line: Line }) {
  const keyFor = useDeedKeys();
  if (!mayHaveDiamond(slate, line)) return null;
  return <Deed says="diamond into it" keyName={keyFor('diamond')} onPress={() => slate.placeInto(line)} />;
}
