import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import { useQuery } from '@tanstack/react-query';
import { isRecalled, operationNames } from '@veldrift/core';
import { findSet, useBookVersion } from '../app/book.ts';
import type { Pupil } from '@veldrift/wire';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { gradeText, rateText } from '../app/format.ts';
import { pupilsQuery } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { Sparkline } from '../parts/Sparkline.tsx';
import { Empty, Loading, Stale, Trouble } from '../parts/states.tsx';
import { duesOf } from '../parts/today.ts';
import { useNow } from '../parts/useNow.ts';
import './pupils.css';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
  readonly operation: string;
  readonly set: string;
  readonly share: number;
  readonly recalled: number;
  readonly of: number;
  readonly rate: number | null;
  readonly rates: Pupil['recentRates'];
  readonly minutes: number;
  readonly due: string;
}

const columns: readonly GridColDef<Row>[] = [
  {
    field: 'name',
    headerName: 'Pupil',
    flex: 1.2,
    minWidth: 130,
    renderCell: ({ row }) => <Link to={`/pupils/${row.id}`}>{row.name}</Link>,
  },
  { field: 'grade', headerName: 'Grade', width: 90 },
  { field: 'operation', headerName: 'Operation', width: 126 },
  { field: 'set', headerName: 'Set', flex: 1.2, minWidth: 140 },
  {
    field: 'share',
    headerName: 'Recalled',
    description:
      'Facts recalled or kept, of those the present set practises; the pupil\u2019s page shows which.',
    width: 112,
    renderCell: ({ row }) => <Share row={row} />,
  },
  {
    field: 'rate',
    headerName: 'Right a minute',
    description:
      'Right answers a minute in the latest check by the present way of capture; the line is the last twelve.',
    width: 150,
    renderCell: ({ row }) => <Rate row={row} />,
  },
  {
    field: 'minutes',
    headerName: 'Minutes',
    type: 'number',
    description: 'Minutes at the table since Monday, whole minutes from start to end.',
    align: 'left',
    headerAlign: 'left',
    width: 92,
    valueFormatter: (value: number) => String(Math.round(value)),
  },
  {
    field: 'due',
    headerName: 'Due',
    flex: 1.8,
    minWidth: 150,
    renderCell: ({ row }) => (row.due === '' ? null : <span className="notch due">{row.due}</span>),
  },
];

/** Everyone in the room. */
export function Pupils() {
  const { me } = useSession();
  const now = useNow();
  const { data, error, refetch, dataUpdatedAt } = useQuery(pupilsQuery);
  const [search, setSearch] = useState('');
  const box = useRef<HTMLInputElement>(null);
  const location = useLocation();
  const ready = data !== undefined;
  const finding = (location.state as { find?: boolean } | null)?.find ?? false;
  // Come here by `/`, from this page or another.
  useEffect(() => {
    if (ready && finding) box.current?.focus();
  }, [ready, finding, location.key]);
  const book = useBookVersion();
  const rows = useMemo(
    () => (data ?? []).map((pupil) => rowOf(pupil, duesOf(pupil, now, me.timeZone))),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- names of sets come from the book
    [data, me.timeZone, now, book],
  );
  const found = useMemo(() => rows.filter((row) => matches(row, search)), [rows, search]);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupils" />;
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <div className="work-head">
        <h1>Pupils</h1>
        <div className="actions">
          <TextField
            size="small"
            label="Find a pupil"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            inputRef={box}
            slotProps={{ htmlInput: { type: 'search' } }}
          />
          <Button variant="contained" component={Link} to="/pupils/new">
            Add a pupil
          </Button>
        </div>
      </div>
      {data.length === 0 ? (
        <Empty title="No pupils yet">
          <p>
            Add one with initials or a first name. A placement then finds the set to begin with; the first
            check takes a minute.
          </p>
        </Empty>
      ) : found.length === 0 ? (
        <p role="status">No pupil, operation or set is called &ldquo;{search}&rdquo;.</p>
      ) : (
        <div className="pupils-grid">
          <DataGrid
            aria-label="Pupils"
            rows={found}
            columns={columns}
            rowHeight={46}
            columnHeaderHeight={44}
            hideFooter={found.length <= 100}
            disableColumnMenu
            disableRowSelectionOnClick
            disableVirtualization={found.length < 60}
            sortingOrder={['asc', 'desc']}
          />
        </div>
      )}
    </>
  );
}

function rowOf(pupil: Pupil, due: readonly string[]): Row {
  const facts = findSet(pupil.setId)?.practises ?? [];
  const recalled = facts.filter((fact) => isRecalled(pupil.tried[fact]?.state ?? 'untried')).length;
  const same = pupil.recentRates.filter((one) => one.way === pupil.capture);
  return {
    id: pupil.id,
    name: pupil.name,
    grade: gradeText(pupil.gradeSystem, pupil.grade),
    operation: operationNames[pupil.operation],
    set: findSet(pupil.setId)?.name ?? '',
    share: facts.length === 0 ? 0 : recalled / facts.length,
    recalled,
    of: facts.length,
    rate: same.at(-1)?.ratePerMinute ?? null,
    rates: pupil.recentRates,
    minutes: pupil.minutesThisWeek,
    due: due.join(', '),
  };
}

function matches(row: Row, search: string): boolean {
  const wanted = search.trim().toLocaleLowerCase();
  return [row.name, row.operation, row.set, row.grade].some((text) =>
    text.toLocaleLowerCase().includes(wanted),
  );
}

function Share({ row }: { readonly row: Row }) {
  return (
    <span className="share">
      <span className="share-bar" aria-hidden>
        <i style={{ width: `${Math.round(row.share * 100)}%` }} />
      </span>
      <span>
        {row.recalled} of {row.of}
      </span>
    </span>
  );
}

function Rate({ row }: { readonly row: Row }) {
  if (row.rate === null) return <span className="quiet">no check yet</span>;
  return (
    <span style={{ display: 'flex', alignItems: 'center', gap: 8, height: '100%' }}>
      <span className="numeral" style={{ minWidth: 30 }}>
        {rateText(row.rate)}
      </span>
      <Sparkline rates={row.rates} />
    </span>
  );
}
