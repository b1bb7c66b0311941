// The generic products that a van holds where nobody described others, by what they are called in English.

export const builtIn: Readonly<Record<string, string>> = {
  'Mild coil detergent': 'Detergente suave para serpentines',
  'Mild dish detergent': 'Detergente suave de platos',
  'Self-rinsing coil foam': 'Espuma autoenjuagable para serpentines',
  'Rinse-off coil foam': 'Espuma para enjuagar serpentines',
  'Antimicrobial coil foam': 'Espuma antimicrobiana para serpentines',
  'Outdoor coil foam': 'Espuma para serpentín exterior',
  'Alkaline degreaser': 'Desengrasante alcalino',
  'Slow-release pan treatment': 'Tratamiento lento para la bandeja',
}
