import { withoutDrawn } from '@calvet/contract/plan/undrawn';
import type { HouseBody } from '@calvet/contract/house/house';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { useKeep } from '../../data/use-keep';
import { DeleteAtEnd, Screen } from '../shell/screen';
import type { HouseView } from '../../data/as-drawn';
import { faultOf, HouseForm, houseResolver, type HouseDraft } from './house-form';
import { useDelete } from '../shell/use-delete';

/** Changes a house: each field is kept once it fits and is left. */
export function EditHouseScreen({ view }: { readonly view: HouseView }) {
  const { house, drawing } = view;
  const router = useRouter();
  const form = useForm<HouseDraft, unknown, HouseBody>({
    // What others change comes in, beside a field that is being typed into.
    values: house,
    resetOptions: { keepDirtyValues: true, keepErrors: true },
    resolver: houseResolver,
    mode: 'onChange',
  });
  const kept = withoutDrawn(house);
  const entered = new Set(Object.entries(kept).flatMap(([name, value]) => (value === null ? [] : [name])));
  const keepField = useKeep('house', house);
  const keep = (name: keyof HouseBody): void => {
    const draft = form.getValues();
    if (faultOf(draft, name) === null) {
      keepField({ [name]: draft[name] });
      // It is part of the record now: from here on the field follows the record.
      form.resetField(name, { defaultValue: draft[name] });
    }
  };
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('house', house, `${house.name} was deleted.`);
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
