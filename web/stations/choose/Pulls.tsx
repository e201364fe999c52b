import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { whatElse, type WhatElse } from '../../../core/choose/whatElse';
import type { Job } from '../../../core/choose/job';
import { PULL_WORDS } from '../../parts/words';

type Pull = Job['pulls'][number];
const SHORT: Readonly<Partial<Record<Pull, string>>> = { 'standing-eye': 'standing – eye', 'tail-eye': 'tail – eye', ring: 'eye apart', through: 'standing – tail', cross: 'one end across' };
const SHOWN: readonly Pull[] = ['standing-eye', 'tail-eye', 'ring', 'through', 'cross'];

/** What else could come: each is asked, a yes goes into the job. */
export function IfSomethingFails({ job, onYes }: { readonly job: Pick<Job, 'purpose' | 'pulls' | 'must_pass'>; readonly onYes: (asked: WhatElse) => void }) {
  const asked = whatElse(job);
  if (asked.length === 0) return null;
  return (
    <details className="what-else">
      <summary>And if something fails? {asked.length === 1 ? 'One question' : `${asked.length} questions`}</summary>
      {asked.map((q) => <div className="measure" key={q.id}><span>{q.question}</span><Button variant="outline-primary" onClick={() => onYes(q)}>Yes</Button></div>)}
    </details>
  );
}

/** Which strands may ever be pulled: arrows on the thing itself, switched by the buttons below it. At least one stays. */
export function Pulls({ pulls, onChange, children }: { pulls: readonly Pull[]; onChange: (pulls: Pull[]) => void; children?: ReactNode }) {
  const on = (p: Pull) => pulls.includes(p);
  const toggle = (p: Pull) => {
    const next = on(p) ? pulls.filter((x) => x !== p) : [...pulls, p];
    if (next.length > 0) onChange(next);
  };
  const arrow = (active: boolean) => ({ stroke: active ? 'var(--act)' : 'var(--rule-strong)', strokeWidth: active ? 5 : 3, opacity: active ? 1 : 0.55 });
  const line = on('standing-eye') || on('through') || on('all');
  const tail = on('tail-eye') || on('through') || on('cross') || on('all');
  const eye = on('standing-eye') || on('tail-eye') || on('cross') || on('all');
  return (
    <section className="sheet pulls" aria-label="Which strands may ever be pulled?">
      <h2>Which strands may ever be pulled?</h2>
      <svg viewBox="0 0 300 124" fill="none" strokeWidth="10" strokeLinecap="round" aria-hidden="true">
        <g stroke="#c98a2b"><path d="M22 56H124" /><path d="M152 56c40-42 108-42 108 0s-68 42-108 0" /><path d="M146 66l-36 36" stroke="#b8a98a" /></g>
        <circle cx="138" cy="57" r="23" fill="#c98a2b" />
        <g {...arrow(line)}><path d="M52 30H16M25 22l-9 8 9 8" /></g>
        <g {...arrow(tail)}><path d="M92 92l-22 22M71 103l-1 11 11-1" /></g>
        <g {...arrow(eye)}><path d="M246 108h40M277 100l9 8-9 8" /></g>
        <g {...arrow(on('ring'))}><path d="M206 50v-16M200 41l6-8 6 8M206 62v16M200 71l6 8 6-8" /></g>
        <g stroke="none" fill="currentColor" fontSize="15" fontWeight="600"><text x="2" y="18">standing part</text><text x="112" y="119">tail</text><text x="268" y="62">eye</text></g>
      </svg>
      <div className="pull-toggle" role="group" aria-label="Pulls">
        {SHOWN.map((p) => (
          <Button key={p} variant={on(p) ? 'primary' : 'outline-primary'} className={on(p) ? '' : 'off'} aria-pressed={on(p)} aria-label={PULL_WORDS[p]} onClick={() => toggle(p)}>{SHORT[p]}</Button>
        ))}
      </div>
      {children}
    </section>
  );
}
