import type { Form } from '../../drawing/document';
import { formOf } from '../../notations/forms';
import { formsFor } from '../../notations/notations';
import { formDeeds, tiesItself } from '../keys/formDeeds';
import { useDeedKeys } from '../keys/useDeedKeys';
import type { Slate } from '../useSlate';
import { Deed } from './Choices';

/** The notation's symbols that are drawn tied to what is chosen: a diamond between boxes, an oval at one. */
export function TiedForms({ slate, shapes, all = false }: { slate: Slate; shapes: readonly string[]; all?: boolean }) {
  const keyFor = useDeedKeys();
  const forms = Object.entries(formDeeds).filter(
    ([, form]) =>
      formsFor(slate.notation.name).own.includes(form) && tiesItself(form) && wants(form, shapes.length, all),
  );
  return forms.map(([deed, form]) => (
    <Deed
      key={form}
      says={slate.notation.formWords?.[form] ?? formOf(form).says.replace(/^an? /, '')}
      keyName={keyFor(deed)}
      onPress={() => slate.placeTied(form, shapes, null)}
    />
  ));
}

/** An oval and a ball stand at one shape; what else is tied mostly stands between several. */
const wants = (form: Form, shapes: number, all: boolean) =>
  form === 'oval' || form === 'ball' ? shapes === 1 : shapes > 1 || all;
