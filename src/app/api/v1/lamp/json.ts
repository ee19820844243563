import type * as server from "@/server";

export const lampJson = ({ lamp, atPartMwCm2, sideMin }: server.LampNow) => ({
  wavelength_nm: lamp.wavelengthNm,
  part_cm: lamp.partCm,
  reading:
    lamp.reading === null
      ? null
      : {
          at: lamp.reading.at,
          irradiance_mw_cm2: lamp.reading.mwCm2,
          distance_cm: lamp.reading.cm,
          source: lamp.reading.source,
        },
  at_part_mw_cm2: atPartMwCm2,
  side_min: sideMin,
});
