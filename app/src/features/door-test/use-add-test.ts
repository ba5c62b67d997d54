import type { AirtightnessTest, AirtightnessTestBody } from '@calvet/contract/airtightness/airtightness-test';
import { useRouter } from 'expo-router';
import { v7 } from 'uuid';
import { today } from '../../ui/format';

/** A test that is about to be read; what the last one knows of place and fan is taken along. */
export function newTest(last: AirtightnessTest | undefined): AirtightnessTestBody {
  return {
    stage: last?.stage ?? 'bareBarrier',
    performedOn: today(),
    indoorTemperatureC: null,
    outdoorTemperatureC: null,
    altitudeM: last?.altitudeM ?? null,
    airPressurePa: null,
    windMs: null,
    fanRanges: last?.fanRanges ?? [],
    depressurise: null,
    pressurise: null,
    note: '',
  };
}

/** Opens a door test that is made once something is entered in it. */
export function useAddTest(houseId: string): () => void {
  const router = useRouter();
  return () =>
    router.navigate({
      pathname: '/houses/[houseId]/tests/[testId]',
      params: { houseId, testId: v7(), isNew: 'yes' },
    });
}
