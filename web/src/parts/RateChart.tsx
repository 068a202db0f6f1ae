import { captureWayNames, captureWays, type CaptureWay } from '@veldrift/core';
import type { Data, Layout, PlotMouseEvent, Shape } from 'plotly.js-cartesian-dist-min';
import { useEffect, useRef, useState } from 'react';
import { useSettings } from '../app/settings.ts';
import { tokens } from '../app/tokens.ts';

export interface RatePoint {
  readonly playId: string;
  readonly at: string;
  readonly rate: number;
  readonly way: CaptureWay;
  readonly counts: boolean;
}

export interface ChartMark {
  readonly at: string;
  readonly name: string;
}

/** A straight line from a day and value to another; days ISO 8601. */
export interface ChartLine {
  readonly from: { readonly at: string; readonly value: number };
  readonly to: { readonly at: string; readonly value: number };
}

interface Props {
  readonly points: readonly RatePoint[];
  /** When the pupil moved to another set. */
  readonly moves: readonly ChartMark[];
  readonly aim: number;
  /** The aim line, from where the pupil began to the aim by a day; null: none is drawn. */
  readonly line?: ChartLine | null;
  /** Rates on a log axis: equal growth is an equal rise. */
  readonly log?: boolean;
  readonly height?: number;
  readonly onOpen: (playId: string) => void;
}

/** Right answers a minute over time. Ways of capture are never joined by a line; a check that decides nothing is hollow. */
export function RateChart({ points, moves, aim, line = null, log = false, height = 230, onOpen }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { theme } = useSettings();
  const [failed, setFailed] = useState(false);
  const open = useRef(onOpen);
  useEffect(() => {
    open.current = onOpen;
  });

  useEffect(() => {
    const node = box.current;
    if (!node || points.length === 0) return;
    let gone = false;
    let drawn: (() => void) | undefined;
    import('plotly.js-cartesian-dist-min').then(
      async (plotly) => {
        if (gone) return;
        const element = await plotly.newPlot(
          node,
          traces(points, tokens[theme].river),
          layout({ points, moves, aim, line, log, height }, tokens[theme]),
          {
            displayModeBar: false,
            responsive: true,
          },
        );
        element.on('plotly_click', (event: PlotMouseEvent) => {
          const id = event.points[0]?.customdata;
          if (typeof id === 'string') open.current(id);
        });
        drawn = () => plotly.purge(node);
        if (gone) drawn();
      },
      () => setFailed(true),
    );
    return () => {
      gone = true;
      drawn?.();
    };
  }, [points, moves, aim, line, log, height, theme]);

  return (
    <div>
      {failed ? (
        <p className="quiet">The chart could not be fetched; its numbers are below.</p>
      ) : (
        <div ref={box} style={{ height }} aria-hidden />
      )}
    </div>
  );
}

const dashes = { keypad: 'solid', tutor: 'dot', voice: 'dash' } as const;
const symbols = { keypad: 'circle', tutor: 'square', voice: 'diamond' } as const;

function traces(points: readonly RatePoint[], river: string): Data[] {
  return captureWays.flatMap((way): Data[] => {
    const own = points.filter((one) => one.way === way);
    if (own.length === 0) return [];
    return [
      {
        type: 'scatter',
        mode: 'lines+markers',
        name: captureWayNames[way],
        x: own.map((one) => one.at),
        y: own.map((one) => one.rate),
        customdata: own.map((one) => one.playId),
        line: { color: river, width: 2, dash: dashes[way] },
        marker: {
          size: 9,
          symbol: own.map((one) => (one.counts ? symbols[way] : 'circle-open')),
          color: river,
        },
        hovertemplate: '%{y:.1f} right a minute<br>%{x|%e %b}<extra></extra>',
      },
    ];
  });
}

function valueAt({ from, to }: ChartLine, at: string): number {
  const [a, b, x] = [from.at, to.at, at].map((one) => Date.parse(one)) as [number, number, number];
  return from.value + ((to.value - from.value) * (x - a)) / (b - a);
}

function layout(
  { points, moves, aim, line: aimLine, log, height }: Required<Omit<Props, 'onOpen'>>,
  t: (typeof tokens)['light'],
): Partial<Layout> {
  const first = points[0]?.at ?? '';
  const last = points.at(-1)?.at ?? '';
  const top = Math.max(aim, ...points.map((one) => one.rate)) * 1.22;
  const line = (over: Partial<Shape>): Partial<Shape> => ({
    type: 'line',
    xref: 'x',
    yref: 'y',
    line: { color: t.ink2, width: 1 },
    ...over,
  });
  return {
    height,
    margin: { l: 34, r: 12, t: 8, b: 28 },
    paper_bgcolor: 'rgba(0,0,0,0)',
    plot_bgcolor: 'rgba(0,0,0,0)',
    font: { family: 'Atkinson Hyperlegible Next Variable, sans-serif', size: 14, color: t.ink2 },
    showlegend: new Set(points.map((one) => one.way)).size > 1,
    legend: { orientation: 'h', y: 1.15 },
    dragmode: false,
    xaxis: {
      type: 'date',
      tickformat: '%e %b',
      nticks: 6,
      showgrid: false,
      zeroline: false,
      fixedrange: true,
      linecolor: t.hairline,
      showline: true,
    },
    yaxis: {
      ...(log
        ? {
            type: 'log' as const,
            range: [0, Math.log10(Math.max(10, top))],
            tickvals: [1, 2, 5, 10, 20, 50, 100],
          }
        : { rangemode: 'tozero' as const, range: [0, top] }),
      nticks: 5,
      gridcolor: t.hairline,
      zeroline: false,
      fixedrange: true,
    },
    shapes: [
      line({
        xref: 'paper',
        x0: 0,
        x1: 1,
        y0: aim,
        y1: aim,
        line: { color: t.ochreInk, width: 1.5, dash: 'dash' },
      }),
      ...(aimLine
        ? [
            line({
              x0: aimLine.from.at,
              y0: aimLine.from.value,
              x1: aimLine.to.at < last ? aimLine.to.at : last,
              y1: valueAt(aimLine, aimLine.to.at < last ? aimLine.to.at : last),
              line: { color: t.ochreInk, width: 1.5 },
            }),
          ]
        : []),
      ...moves
        .filter((move) => move.at >= first && move.at <= last)
        .map((move) => line({ x0: move.at, x1: move.at, y0: log ? 1 : 0, y1: top })),
    ],
    annotations: [
      {
        xref: 'paper',
        x: 0,
        y: log ? Math.log10(Math.max(1, aim)) : aim,
        yanchor: 'bottom',
        xanchor: 'left',
        text: `aim ${Math.round(aim * 10) / 10}`,
        showarrow: false,
        font: { color: t.ochreInk, size: 14 },
      },
      ...moves
        .filter((move) => move.at >= first && move.at <= last)
        .map((move) => ({
          x: move.at,
          y: log ? Math.log10(Math.max(10, top)) : top,
          yanchor: 'top' as const,
          xanchor: 'left' as const,
          text: move.name,
          showarrow: false,
          xshift: 3,
        })),
    ],
    hoverlabel: { bgcolor: t.sheet, bordercolor: t.edge, font: { color: t.ink, size: 14 } },
  };
}
