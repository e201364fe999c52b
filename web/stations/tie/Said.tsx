import type { Source } from '../../../core/knots/facts/types';
import { SOURCE_WORDS } from '../../parts/words';

/** A fact with where it comes from: the letter stands for the words below the list. */
export const From = ({ source }: { source: Source }) => (
  <abbr className="src" title={SOURCE_WORDS[source]}>
    {source === 'practice' ? 'p' : 'g'}
  </abbr>
);
export const Said = ({ fact }: { fact: { text: string; source: Source } }) => (
  <>
    {fact.text} <From source={fact.source} />
  </>
);
