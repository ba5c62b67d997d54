const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** The whole icon font is 1.3 MB; Paper gets the few icons that are used, from the font made by fonts.mjs. */
const ICON_SET = join(__dirname, 'src', 'ui', 'icon-font', 'icon-set.tsx');
const WHOLE_ICON_FONTS = new Set([
  '@react-native-vector-icons/material-design-icons',
  '@expo/vector-icons/MaterialCommunityIcons',
  'react-native-vector-icons/MaterialCommunityIcons',
]);

config.resolver.resolveRequest = (context, moduleName, platform) =>
  WHOLE_ICON_FONTS.has(moduleName)
    ? { type: 'sourceFile', filePath: ICON_SET }
    : context.resolveRequest(context, moduleName, platform);

/** While developing, the API answers on the same address as the app. */
const apiOrigin = process.env.CALVET_API_ORIGIN;
if (apiOrigin !== undefined) {
  config.server.enhanceMiddleware = (metro) => async (request, response, next) => {
    if (!request.url?.startsWith('/api/')) return metro(request, response, next);
    const chunks = [];
    for await (const chunk of request) chunks.push(chunk);
    // What belongs to this connection is not for the next one.
    const { host: _host, connection: _connection, 'content-length': _length, ...headers } = request.headers;
    const answer = await fetch(apiOrigin + request.url, {
      method: request.method,
      headers,
      body: chunks.length > 0 ? Buffer.concat(chunks) : undefined,
    });
    response.statusCode = answer.status;
    for (const [name, value] of answer.headers) {
      if (!['content-encoding', 'content-length', 'transfer-encoding'].includes(name))
        response.setHeader(name, value);
    }
    // Events come line by line and never end.
    for await (const piece of answer.body ?? []) response.write(piece);
    response.end();
  };
}

module.exports = config;
