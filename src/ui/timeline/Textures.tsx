export interface TextureIds {
  readonly drying: string;
  readonly grain: string;
  readonly gap: string;
}
export const textureIds = (base: string): TextureIds => ({ drying: `${base}d`, grain: `${base}g`, gap: `${base}x` });

/** One texture a state, so that none is told by colour alone. */
export function Textures({ ids }: { ids: TextureIds }) {
  return (
    <defs>
      <pattern id={ids.drying} width="7" height="7" patternUnits="userSpaceOnUse">
        <path d="M-1 8L8 -1M-1 1L1 -1M6 8L8 6" stroke="var(--wet)" strokeWidth="1.8" />
      </pattern>
      <pattern id={ids.grain} width="7" height="7" patternUnits="userSpaceOnUse">
        <path d="M2 2h.01M5.5 5.5h.01" stroke="var(--grain)" strokeWidth="2.6" strokeLinecap="round" />
      </pattern>
      <pattern id={ids.gap} width="8" height="8" patternUnits="userSpaceOnUse">
        <path d="M0 0L8 8M8 0L0 8" stroke="var(--ink)" strokeOpacity="0.5" strokeWidth="1" />
      </pattern>
    </defs>
  );
}
