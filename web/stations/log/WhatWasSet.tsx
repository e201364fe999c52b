/** What was set for whom and by whom, of the whole organisation, newest first. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import { SetFor } from '../../parts/SetFor';
import { Empty, Failed, Loading } from '../../parts/States';
import { useCredentialsQuery } from '../../store/api';

function Page({
  cursor,
  onMore,
}: {
  readonly cursor: string | null;
  readonly onMore: ((next: string) => void) | null;
}) {
  const { data, error, isLoading, refetch } = useCredentialsQuery(cursor);
  if (isLoading) return <Loading what="Looking what was set" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  if (data.items.length === 0)
    return (
      <Empty title="Nothing yet">
        <p className="m-0">It is written down from the first change on.</p>
      </Empty>
    );
  const { next } = data;
  return (
    <>
      <SetFor settings={data.items} named />
      {next && onMore ? (
        <Button variant="outline-primary" className="mt-2" onClick={() => onMore(next)}>
          Earlier
        </Button>
      ) : null}
    </>
  );
}

export function WhatWasSet() {
  const [cursors, setCursors] = useState<readonly (string | null)[]>([null]);
  return (
    <>
      <p className="no-print mb-1">
        <Link to="/log/people">All people</Link>
      </p>
      <h1>What was set, and by whom</h1>
      <p className="quiet">
        People added, passwords, PINs, names, roles, confirmations: each is an entry of the record.
      </p>
      {cursors.map((c, i) => (
        <Page
          key={c ?? 'first'}
          cursor={c}
          onMore={i === cursors.length - 1 ? (next) => setCursors([...cursors, next]) : null}
        />
      ))}
    </>
  );
}
