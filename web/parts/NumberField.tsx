/** Numbers and lengths that a person types: with a comma or a point, lengths with or without their unit, between two limits. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { lengthFromText, lengthText, MM_PER_INCH } from '../../core/units';
import { useSessionQuery } from '../store/api';

/** What was typed; NaN where it is no number. */
export const typed = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
export const within = (value: number, least: number, most: number): boolean => value >= least && value <= most;

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
      <Form.Control
        inputMode="decimal"
        className="figure"
        value={text}
        onChange={(e) => onChange(e.target.value)}
        isInvalid={!within(typed(text), least, most)}
      />
      <Form.Control.Feedback type="invalid">
        From {least} to {most}.
      </Form.Control.Feedback>
    </Form.Group>
  );
}

/** The unit in which this person reads and types lengths; fists are for tails alone. */
export const useLengthUnit = (): 'mm' | 'in' => (useSessionQuery().data?.person?.length_unit === 'in' ? 'in' : 'mm');

/** A length as it stands in a field: a bare number in the reader's unit, inches to a hundredth; empty where there is none. */
export const fieldText = (mm: number | null, unit: 'mm' | 'in'): string =>
  mm === null ? '' : String(unit === 'in' ? Math.round((mm / MM_PER_INCH) * 100) / 100 : mm);

export interface TypedLength {
  readonly text: string;
  readonly set: (text: string) => void;
  /** NaN where it is no length */
  readonly mm: number;
  readonly unit: 'mm' | 'in';
}

/** A length that is typed, to begin with so many mm; none where it may be left out. */
export function useTypedLength(begin_mm: number | null): TypedLength {
  const unit = useLengthUnit();
  const [text, set] = useState<string | null>(null);
  const shown = text ?? fieldText(begin_mm, unit);
  return { text: shown, set, mm: Math.round(lengthFromText(shown, unit) * 100) / 100, unit };
}

interface LengthProps {
  readonly id: string;
  readonly label: string;
  readonly of: TypedLength;
  readonly least: number;
  readonly most: number;
  /** it may be left empty */
  readonly optional?: boolean;
}

export function LengthField({ id, label, of, least, most, optional }: LengthProps) {
  const wrong = !(optional && of.text.trim() === '') && !within(of.mm, least, most);
  const said = (mm: number) => lengthText(mm, of.unit);
  return (
    <Form.Group controlId={id}>
      <Form.Label>
        {label}, {of.unit}
        {optional ? ' (if known)' : ''}
      </Form.Label>
      <Form.Control className="figure" value={of.text} onChange={(e) => of.set(e.target.value)} isInvalid={wrong} />
      <Form.Control.Feedback type="invalid">
        From {said(least)} to {said(most)}; another unit is written after it.
      </Form.Control.Feedback>
    </Form.Group>
  );
}
