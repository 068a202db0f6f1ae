import { useNoVoice } from '../live/useReadAloud.ts';

/** Says it where a child wishes to have things read out, and this device has no voice. */
export function NoVoice({ wished }: { readonly wished: boolean }) {
  const says = useNoVoice(wished);
  return (
    says && (
      <p className="quiet" role="status">
        {says}
      </p>
    )
  );
}
