import { Navigator, Slot } from 'expo-router';

/** The type of a navigator's own screen does not name what the router reads from it. */
const eachIsItsOwn = { dangerouslySingular: true };

/**
 * Each house is a place of its own to the router. Without this layout it would know all houses as `houses/[houseId]`
 * and keep what the first was opened with; were they one place, it would stay on the page that was open of the former.
 */
export default function HousesLayout() {
  return (
    <Navigator>
      <Navigator.Screen name="[houseId]" {...eachIsItsOwn} />
      <Slot />
    </Navigator>
  );
}
