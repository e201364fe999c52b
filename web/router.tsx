/** Which address shows what. Stations are loaded when they are first opened. */
import { createBrowserRouter, Link } from 'react-router';
import { Shell } from './parts/Shell';
import { Loading } from './parts/States';

function Broken() {
  return (
    <main className="state-page" style={{ margin: '0 auto' }}>
      <h1>This page broke</h1>
      <p className="m-0">What you entered is kept on this device. Load the page again.</p>
      <button className="btn btn-primary" onClick={() => window.location.reload()}>
        Load again
      </button>
    </main>
  );
}
function Nowhere() {
  return (
    <div className="state-page">
      <h1>There is no such page</h1>
      <Link className="btn btn-primary" to="/">
        To today
      </Link>
    </div>
  );
}

export const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    hydrateFallbackElement: <Loading what="Opening" />,
    children: [
      { path: '/sign-in', lazy: async () => ({ Component: (await import('./stations/entrance/SignIn')).SignIn }) },
      { path: '/verify', lazy: async () => ({ Component: (await import('./stations/log/Verify')).Verify }) },
      { path: '/projector', lazy: async () => ({ Component: (await import('./stations/tie/Projector')).Projector }) },
      { path: '/setup', lazy: async () => ({ Component: (await import('./stations/entrance/Setup')).Setup }) },
      {
        path: '/',
        element: <Shell />,
        children: [
          { index: true, lazy: async () => ({ Component: (await import('./stations/today/Today')).Today }) },
          {
            path: 'work/:id',
            lazy: async () => ({ Component: (await import('./stations/entrance/LongWork')).LongWork }),
          },
          { path: 'me', lazy: async () => ({ Component: (await import('./stations/today/Me')).Me }) },
          {
            path: 'choose/passing',
            lazy: async () => ({ Component: (await import('./stations/choose/Passing')).Passing }),
          },
          {
            path: 'choose/cut',
            lazy: async () => ({ Component: (await import('./stations/choose/CutLength')).CutLength }),
          },
          {
            path: 'choose/friction',
            lazy: async () => ({ Component: (await import('./stations/choose/FrictionHitches')).FrictionHitches }),
          },
          {
            path: 'choose/schools',
            lazy: async () => ({ Component: (await import('./stations/choose/Schools')).Schools }),
          },
          {
            path: 'choose/schools/:id',
            lazy: async () => ({ Component: (await import('./stations/choose/Schools')).Schools }),
          },
          { path: 'choose', lazy: async () => ({ Component: (await import('./stations/choose/Choose')).Choose }) },
          { path: 'tie', lazy: async () => ({ Component: (await import('./stations/tie/Shelf')).Shelf }) },
          { path: 'tie/compare', lazy: async () => ({ Component: (await import('./stations/tie/Compare')).Compare }) },
          {
            path: 'tie/:knot/ways/:way',
            lazy: async () => ({ Component: (await import('./stations/tie/WayPage')).WayPage }),
          },
          { path: 'tie/:knot', lazy: async () => ({ Component: (await import('./stations/tie/Tie')).Tie }) },
          { path: 'check', lazy: async () => ({ Component: (await import('./stations/check/Begin')).Begin }) },
          {
            path: 'check/what-is-this',
            lazy: async () => ({ Component: (await import('./stations/check/WhatIsThis')).WhatIsThis }),
          },
          { path: 'check/rounds', lazy: async () => ({ Component: (await import('./stations/check/Rounds')).Rounds }) },
          {
            path: 'check/rounds/:id',
            lazy: async () => ({ Component: (await import('./stations/check/RoundWalk')).RoundWalk }),
          },
          {
            path: 'check/second/:check',
            lazy: async () => ({ Component: (await import('./stations/check/SecondLook')).SecondLook }),
          },
          {
            path: 'check/:walk',
            lazy: async () => ({ Component: (await import('./stations/check/WalkPage')).WalkPage }),
          },
          { path: 'teach', lazy: async () => ({ Component: (await import('./stations/teach/SpotIt')).SpotIt }) },
          { path: 'log', lazy: async () => ({ Component: (await import('./stations/log/Log')).Log }) },
          { path: 'log/ropes', lazy: async () => ({ Component: (await import('./stations/log/Ropes')).Ropes }) },
          {
            path: 'log/ropes/:id',
            lazy: async () => ({ Component: (await import('./stations/log/RopePage')).RopePage }),
          },
          {
            path: 'log/import/:what',
            lazy: async () => ({ Component: (await import('./stations/log/Import')).Import }),
          },
          {
            path: 'log/people/set',
            lazy: async () => ({ Component: (await import('./stations/log/WhatWasSet')).WhatWasSet }),
          },
          {
            path: 'log/people/:id',
            lazy: async () => ({ Component: (await import('./stations/log/PersonPage')).PersonPage }),
          },
          {
            path: 'log/timelines',
            lazy: async () => ({ Component: (await import('./stations/log/Timelines')).Timelines }),
          },
          {
            path: 'log/happened',
            lazy: async () => ({ Component: (await import('./stations/log/Happened')).Happened }),
          },
          { path: 'log/people', lazy: async () => ({ Component: (await import('./stations/log/People')).People }) },
          { path: 'log/rules', lazy: async () => ({ Component: (await import('./stations/log/Rules')).Rules }) },
          { path: 'log/:id', lazy: async () => ({ Component: (await import('./stations/log/CheckPage')).CheckPage }) },
          { path: '*', element: <Nowhere /> },
        ],
      },
    ],
  },
]);
