import { useQuery } from '@tanstack/react-query';
import type { FactKey, FactPicture } from '@veldrift/core';
import { picturesQuery } from '../../app/queries.ts';

/** The picture a pupil made of a fact; null: none, or not known on this device. */
export function useOwnPicture(
  pupilId: string | undefined,
  fact: FactKey | null | undefined,
): FactPicture | null {
  const { data } = useQuery({ ...picturesQuery(pupilId ?? ''), enabled: pupilId !== undefined });
  return data?.find((one) => one.fact === fact) ?? null;
}
