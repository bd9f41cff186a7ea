/** The gallery: every part of the kit in its states. `npm run gallery`. */
export default {
  stories: 'src/ui/kit/*.stories.tsx',
  defaultStory: 'button--looks',
  viteConfig: '.ladle/vite.config.mjs',
  port: 61000,
  host: '127.0.0.1',
  outDir: '.urraca/gallery',
  addons: {
    theme: { enabled: false },
    a11y: { enabled: false },
    rtl: { enabled: false },
    width: { enabled: true, options: { phone: 390, desktop: 1280 }, defaultState: 0 },
  },
};
