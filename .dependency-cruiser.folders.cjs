const { options } = require('./.dependency-cruiser.cjs');

/** No circle between folders either, looked at without specs, which may reach for anything. */
module.exports = {
  forbidden: [
    {
      name: 'no-circle-between-folders',
      scope: 'folder',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: '(\\.spec\\.ts$|^(core|app)/testing/)' } },
};
