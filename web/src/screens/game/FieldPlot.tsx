import { tell, type Choice, type SceneField } from '@veldrift/core/games';
import { useState } from 'react';
import { boardShape } from '../../parts/table/boardShape.ts';
import Button from '@mui/material/Button';
import { GridBoard } from '../../parts/table/GridBoard.tsx';

/** Columns that a line such as "4 × 3 = 12" needs. */
const roomToSay = 3;

interface Props {
  readonly field: SceneField;
  readonly choices: readonly Choice[];
  readonly names: readonly string[];
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

/** The plot on which arrays are laid: the square pressed is the corner nearest the first row and column; the array can be turned. */
export function FieldPlot({ field, choices, names, onChoose, onRefused }: Props) {
  const [turned, setTurned] = useState(false);
  const [over, setOver] = useState<number | null>(null);
  const plots = choices.flatMap((choice) =>
    choice.at && 'plot' in choice.at ? [{ choice, plot: choice.at.plot }] : [],
  );
  const shapes = [...new Set(plots.map(({ plot }) => `${plot.rows} × ${plot.cols}`))];
  const shape = shapes[turned && shapes.length > 1 ? 1 : 0];
  const ofShape = plots.filter(({ plot }) => `${plot.rows} × ${plot.cols}` === shape);
  const at = (row: number, col: number) => ofShape.find(({ plot }) => plot.row === row && plot.col === col);
  const ghost = over === null ? undefined : at(Math.floor(over / field.cols), over % field.cols)?.plot;
  const squares = Array.from({ length: field.rows * field.cols }, (_, nth) => {
    const [row, col] = [Math.floor(nth / field.cols), nth % field.cols];
    const inside = (one: { row: number; col: number; rows: number; cols: number }) =>
      row >= one.row && row < one.row + one.rows && col >= one.col && col < one.col + one.cols;
    const lies = field.lies.find(inside);
    const first = lies && lies.row === row && lies.col === col;
    const whose = lies && (lies.seat === null ? 'all' : lies.seat);
    return {
      key: String(nth),
      label: lies
        ? `row ${row + 1}, column ${col + 1}: ${tell(lies.says, names)}${lies.seat === null ? '' : `, ${names[lies.seat] ?? ''}`}`
        : `row ${row + 1}, column ${col + 1}: ${at(row, col) ? `room for ${shape}` : 'free'}`,
      className: `plot ${lies ? `laid seat-${whose} ${edges(lies, row, col)}` : ''} ${ghost && inside(ghost) ? 'ghost' : ''}`,
      // In a narrow array there is room for what it comes to alone.
      content: first ? (
        <span className="plot-says numeral">
          {lies.cols >= roomToSay ? tell(lies.says, names) : lies.rows * lies.cols}
        </span>
      ) : null,
    };
  });
  return (
    <div className="field-plot">
      {shapes.length > 1 && (
        <Button variant="outlined" onClick={() => setTurned(!turned)}>
          {shape}: turn it round
        </Button>
      )}
      <div className="board-place" style={boardShape(field.cols, field.rows)}>
        <GridBoard
          name={`A field of ${field.rows} rows and ${field.cols} columns`}
          across={field.cols}
          squares={squares}
          className="plot-board"
          onOver={setOver}
          onPress={
            plots.length > 0
              ? (nth, when) => {
                  const found = at(Math.floor(nth / field.cols), nth % field.cols);
                  if (found) onChoose(found.choice.key, when);
                  else onRefused(`${shape} does not fit from there.`);
                }
              : undefined
          }
        />
      </div>
    </div>
  );
}

/** Which edges of an array a square lies at, for its outline. */
function edges(
  lies: { readonly row: number; readonly col: number; readonly rows: number; readonly cols: number },
  row: number,
  col: number,
): string {
  return [
    row === lies.row ? 'top' : '',
    row === lies.row + lies.rows - 1 ? 'bottom' : '',
    col === lies.col ? 'left' : '',
    col === lies.col + lies.cols - 1 ? 'right' : '',
  ].join(' ');
}
