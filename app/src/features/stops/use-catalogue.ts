import type { CATALOGUE_WORDS, CHECKPOINTS, Checkpoint } from '@calvet/contract/catalogue/catalogue';
import { useCallback, useMemo } from 'react';
import useSWR from 'swr';

interface Catalogue {
  readonly CHECKPOINTS: typeof CHECKPOINTS;
  readonly CATALOGUE_WORDS: typeof CATALOGUE_WORDS;
}

const ONCE = { revalidateIfStale: false, revalidateOnFocus: false, revalidateOnReconnect: false } as const;

/** The texts of checkpoints: a piece of its own, fetched where they are read. */
export function useCatalogue(): {
  readonly checkpointOf: (id: string) => Checkpoint | undefined;
  readonly words: Catalogue['CATALOGUE_WORDS'] | undefined;
  readonly error: Error | undefined;
  readonly retry: () => void;
} {
  const { data, error, mutate } = useSWR<Catalogue, Error>(
    'the catalogue of checkpoints',
    () => import('@calvet/contract/catalogue/catalogue'),
    ONCE,
  );
  const byId = useMemo(() => new Map(data?.CHECKPOINTS.map((each) => [each.id, each])), [data]);
  const checkpointOf = useCallback((id: string) => byId.get(id), [byId]);
  return {
    checkpointOf,
    words: data?.CATALOGUE_WORDS,
    error,
    retry: () => void mutate(),
  };
}
