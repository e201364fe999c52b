import { NavLink } from 'react-router';

export function Tabs() {
  const tab = (to: string, text: string) => (
    <NavLink to={to} end className={({ isActive }) => (isActive ? 'on' : '')}>
      {text}
    </NavLink>
  );
  return (
    <nav className="tabs no-print" aria-label="Log">
      {tab('/log', 'Checks')}
      {tab('/log/ropes', 'Ropes')}
      {tab('/log/people', 'People')}
      {tab('/log/happened', 'What happened')}
      {tab('/log/timelines', 'Timelines')}
      {tab('/log/rules', 'Rules')}
    </nav>
  );
}
