import { withoutDrawn, type HouseBody } from '@calvet/contract';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { useNote } from '../../ui/undo';
import { DeleteAtEnd, Screen } from '../shell/screen';
import type { HouseView } from '../../data/as-drawn';
import { faultOf, HouseForm, houseResolver, type HouseDraft } from './house-form';

/** Changes a house: each field is kept once it fits and is left. */
export function EditHouseScreen({ view }: { readonly view: HouseView }) {
  const { house, drawing } = view;
  const router = useRouter();
  const note = useNote();
  const form = useForm<HouseDraft, unknown, HouseBody>({
    // What others change comes in, beside a field that is being typed into.
    values: house,
    resetOptions: { keepDirtyValues: true, keepErrors: true },
    resolver: houseResolver,
    mode: 'onChange',
  });
  const kept = withoutDrawn(house);
  const entered = new Set(Object.entries(kept).flatMap(([name, value]) => (value === null ? [] : [name])));
  const { deleteRecord, restoreRecord } = useStore();
  const keepField = useKeep('house', house);
  const keep = (name: keyof HouseBody): void => {
    const draft = form.getValues();
    if (faultOf(draft, name) === null) {
      keepField({ [name]: draft[name] });
      // It is part of the record now: from here on the field follows the record.
      form.resetField(name, { defaultValue: draft[name] });
    }
  };
  const remove = (): void => {
    deleteRecord(house.id, 'house', house.id);
    note({ text: `${house.name} was deleted.`, undo: () => restoreRecord(house.id, 'house', house.id) });
    router.replace('/');
  };
  return (
    <Screen
      name={house.name}
      detail="Sizes, target, ways of reckoning · kept as you go"
      back={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      backLabel="Back to the plan"
    >
      <HouseForm
        control={form.control}
        errors={form.formState.errors}
        isRequired
        drawn={{ sizes: drawing.state === 'measured' ? drawing.house : {}, entered }}
        onField={keep}
      />
      <DeleteAtEnd label="Delete house" onPress={remove} />
    </Screen>
  );
}
