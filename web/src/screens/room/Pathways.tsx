import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery } from '@tanstack/react-query';
import { copyPathway, countText, operations, partitionBreak, pathways, type Pathway } from '@veldrift/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../../app/api.ts';
import { allPathways, takeOwnPathways } from '../../app/book.ts';
import { pathwaysQuery, queryClient } from '../../app/queries.ts';
import { Loading, Stale, Trouble } from '../../parts/states.tsx';
import { RoomHead } from './RoomHead.tsx';

/** The pathways of the room: those that ship, and copies of its own. */
export function Pathways() {
  const { data, error, refetch, dataUpdatedAt } = useQuery(pathwaysQuery);
  const navigate = useNavigate();
  const [from, setFrom] = useState(pathways[0]?.id ?? '');
  const copy = useMutation({
    mutationFn: () => {
      const source = allPathways().find((one) => one.id === from) as Pathway;
      return api.keepPathway(copyPathway(source, uuid(), `${source.name}, our own`.slice(0, 60)));
    },
    onSuccess: async (own) => {
      queryClient.setQueryData(pathwaysQuery.queryKey, [...(data ?? []), own]);
      takeOwnPathways([...(data ?? []), own]);
      await navigate(`/room/pathways/${own.id}`);
    },
  });
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pathways" />;
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <RoomHead />
      <p style={{ maxWidth: '70ch' }}>
        A pathway is an order of sets for each operation. Those that ship stay as they are; a copy can be
        reordered, its sets split and joined. History belongs to the facts: a pupil who changes pathway keeps
        it.
      </p>
      <ul className="looks">
        {pathways.map((one) => (
          <li key={one.id}>
            <span>
              <strong>{one.name}</strong>, comes with the app.
            </span>
            <span className="quiet">
              {countText(
                operations.reduce((sum, o) => sum + one.sets[o].length, 0),
                'set',
              )}
            </span>
          </li>
        ))}
        {data.map((own) => {
          const missing = operations.reduce(
            (sum, one) => sum + partitionBreak(one, own.sets[one]).missing.length,
            0,
          );
          return (
            <li key={own.id}>
              <span>
                <strong>{own.name}</strong>, of this room.{' '}
                {missing > 0 && (
                  <span className="notch">{countText(missing, 'fact is', 'facts are')} in no set.</span>
                )}
              </span>
              <Button
                variant="outlined"
                component={Link}
                to={`/room/pathways/${own.id}`}
                aria-label={`Change ${own.name}`}
              >
                Change
              </Button>
            </li>
          );
        })}
      </ul>
      <div className="actions">
        <TextField
          select
          size="small"
          label="Copy"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
          sx={{ width: 280 }}
        >
          {allPathways().map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="contained" disabled={copy.isPending} onClick={() => copy.mutate()}>
          Make a copy to change
        </Button>
      </div>
      {copy.error && (
        <p role="alert" className="clay">
          {copy.error instanceof ApiError ? copy.error.problem.message : 'It could not be copied; try again.'}
        </p>
      )}
    </>
  );
}
