import type { AirtightnessTest, AirtightnessTestBody } from '@calvet/contract';
import { useRouter } from 'expo-router';
import { useStore } from '../../data/store-context';
import { today } from '../../ui/format';

/** A test that is about to be read; what the last one knows of place and fan is taken along. */
function newTest(last: AirtightnessTest | undefined): AirtightnessTestBody {
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

/** Begins a door test and opens it. */
export function useAddTest(houseId: string, tests: readonly AirtightnessTest[]): () => void {
  const router = useRouter();
  const { createRecord } = useStore();
  return () => {
    const testId = createRecord(houseId, 'airtightnessTest', newTest(tests[0]));
    router.navigate({ pathname: '/houses/[houseId]/tests/[testId]', params: { houseId, testId } });
  };
}
