import { Dropdown } from 'react-bootstrap';

export interface FillProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: Readonly<Record<T, string>>;
  readonly onPick: (value: T) => void;
}

/** A word of the sentence that can be changed. */
export function Fill<T extends string>({ label, value, options, onPick }: FillProps<T>) {
  return (
    <Dropdown className="dropdown">
      <Dropdown.Toggle className="fill" aria-label={`${label}: ${options[value]}`}>
        {options[value]}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {(Object.entries(options) as [T, string][]).map(([key, text]) => (
          <Dropdown.Item as="button" key={key} active={key === value} onClick={() => onPick(key)}>
            {text}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
