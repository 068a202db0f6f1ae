import type { ClassShow, SeatTells } from '@veldrift/wire';
import { api } from '../../app/api.ts';
import { latestOnly, listen } from '../child/childLine.ts';
import type { ClassLine } from './partnersTable.ts';

/** From the grown-up’s screen to all devices that joined a class, over the server. */
export function classTableLine(
  link: string,
  onTells: (tells: SeatTells) => void,
  onLost: () => void,
): ClassLine {
  const stop = listen(
    `/api/links/${link}/events`,
    (data) => data !== null && onTells(data as SeatTells),
    onLost,
  );
  const { send, sent } = latestOnly<ClassShow>((show) => api.showClass(link, show));
  return {
    show: send,
    close: () => {
      stop();
      return sent();
    },
  };
}
