import { DeviceScreen } from '../features/device/device-screen';

export default function DeviceRoute() {
  return <DeviceScreen />;
}
