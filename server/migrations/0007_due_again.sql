-- When a knot in a rope is to be looked at again, worked out whenever something happens to it: the most overdue are found by an index, however
-- many there are. NULL: not worked out yet, which the start of the program does.
ALTER TABLE tied_knots
  ADD COLUMN IF NOT EXISTS due_at DATETIME(3) NULL,
  ADD KEY IF NOT EXISTS due_again (organisation, ended_at, due_at);
