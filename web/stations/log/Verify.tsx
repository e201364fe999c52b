/** Where the code on a printed page leads: whether that entry stands in the record as it was. Open to whoever holds the page. */
import { Link, useSearchParams } from 'react-router';
import { Failed, Loading } from '../../parts/States';
import { momentText } from '../../parts/words';
import { useVerifyEntryQuery } from '../../store/api';

export function Verify() {
  const [params] = useSearchParams();
  const [o, n, h] = ['o', 'n', 'h'].map((k) => params.get(k) ?? '');
  const { data, error, isLoading, refetch } = useVerifyEntryQuery({ organisation: o!, sequence: n!, sha256: h! });
  return (
    <main className="state-page" style={{ margin: '0 auto', maxWidth: 680 }}>
      <h1>Is this page in the record?</h1>
      {isLoading ? (
        <Loading what="Looking" />
      ) : error || !data ? (
        <Failed error={error} again={refetch} />
      ) : data.known && data.as_written ? (
        <p className="notice fs-5 m-0">
          <b>Yes.</b> Entry no. {n} was recorded {momentText(data.recorded_at!)} and is as it was written then.
        </p>
      ) : data.known ? (
        <p className="notice bad fs-5 m-0">
          <b>Its content was altered since.</b> Entry no. {n} is there, but its bytes no longer give its hash. Tell
          whoever keeps the record.
        </p>
      ) : (
        <p className="notice bad fs-5 m-0">
          <b>No.</b> There is no entry no. {n} with this hash. The page is of another record, or was altered.
        </p>
      )}
      <p className="hash m-0 text-break">
        no. {n} · sha256 {h}
      </p>
      <p className="caution m-0">
        It proves what was said, when, and that it was not altered since; not that what was entered is true. It gives no
        clearance to load.
      </p>
      <Link to="/">To the application</Link>
    </main>
  );
}
