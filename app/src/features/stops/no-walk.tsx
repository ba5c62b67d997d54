import type { GeneratedWalk } from '@calvet/contract/walk/generate-walk';
import { useRouter } from 'expo-router';
import { Empty } from '../shell/states';

interface NoWalkProps {
  readonly houseId: string;
  /** Why there is none; undefined: nothing is drawn. */
  readonly walk?: GeneratedWalk;
  /** What would follow from a drawing. */
  readonly text: string;
}

/** What stands where a house has no walk: nothing is drawn, or what is drawn cannot be measured. */
export function NoWalk({ houseId, walk, text }: NoWalkProps) {
  const router = useRouter();
  const isRefused = walk?.state === 'refused';
  return (
    <Empty
      title={isRefused ? 'The drawing has to be put right first' : 'Draw the house first'}
      text={isRefused ? walk.refusal.message : text}
      action={isRefused ? 'Open the drawing' : 'Draw the house'}
      onAction={() => router.navigate({ pathname: '/houses/[houseId]/drawing', params: { houseId } })}
    />
  );
}
