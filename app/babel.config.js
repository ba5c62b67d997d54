module.exports = (api) => {
  const isTest = api.env('test');
  return {
    presets: ['babel-preset-expo'],
    // Metro splits the app at import(); Jest, which loads what it needs at once, is told to require instead.
    plugins: isTest ? ['dynamic-import-node'] : ['react-native-paper/babel'],
  };
};
