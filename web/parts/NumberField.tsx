/** A number that a person types, with a comma or a point, between two limits. */
import { Form } from 'react-bootstrap';

/** What was typed; NaN where it is no number. */
export const typed = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
export const within = (text: string, least: number, most: number): boolean => typed(text) >= least && typed(text) <= most;

interface Props {
  readonly id: string;
  readonly label: string;
  readonly text: string;
  readonly onChange: (text: string) => void;
  readonly least: number;
  readonly most: number;
}

export function NumberField({ id, label, text, onChange, least, most }: Props) {
  return (
    <Form.Group controlId={id}>
      <Form.Label>{label}</Form.Label>
      <Form.Control inputMode="decimal" className="figure" value={text} onChange={(e) => onChange(e.target.value)} isInvalid={!within(text, least, most)} />
      <Form.Control.Feedback type="invalid">From {least} to {most}.</Form.Control.Feedback>
    </Form.Group>
  );
}
