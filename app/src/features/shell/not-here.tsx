import { useRouter } from 'expo-router';
import { Screen } from './screen';
import { Empty } from './states';

interface NotHereProps {
  readonly what: string;
  readonly houseId: string;
}

/** A record of a house that was deleted or never was. */
export function NotHere({ what, houseId }: NotHereProps) {
  const router = useRouter();
  const back = { pathname: '/houses/[houseId]', params: { houseId } } as const;
  return (
    <Screen name={`No such ${what}`} back={back} backLabel="Back to the house">
      <Empty
        title={`This ${what} is not here`}
        text="It was deleted, or the address is not complete."
        action="Show the house"
        onAction={() => router.replace(back)}
      />
    </Screen>
  );
}
