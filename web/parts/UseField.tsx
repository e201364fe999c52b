/** What a knot is for, where that leaves a choice. */
import { Form } from 'react-bootstrap';
import { entryById } from '../../core/knots/catalogue/lookup';
import { usesOf, type Use } from '../../core/knots/facts/uses';
import { USE_WORDS } from './words';

export function UseField({
  knot,
  use,
  onUse,
  className = '',
  id = 'use',
}: {
  readonly knot: string;
  readonly use: Use | undefined;
  readonly onUse: (use: Use) => void;
  readonly className?: string;
  /** of the field, where a page has several */
  readonly id?: string;
}) {
  const uses = usesOf(entryById(knot));
  if (uses.length < 2) return null;
  return (
    <Form.Group controlId={id} className={className}>
      <Form.Label>What is it for</Form.Label>
      <Form.Select value={use} onChange={(e) => onUse(e.target.value as Use)}>
        {uses.map((u) => (
          <option key={u} value={u}>
            {USE_WORDS[u]}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}
