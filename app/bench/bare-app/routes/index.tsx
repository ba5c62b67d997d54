import { View } from 'react-native';
import { Button, Text, TextInput } from 'react-native-paper';

export default function Index() {
  return (
    <View>
      <Text>Bare</Text>
      <TextInput aria-label="Name" />
      <Button onPress={() => undefined}>Press</Button>
    </View>
  );
}
