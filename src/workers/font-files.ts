import arabicBold from '@expo-google-fonts/noto-sans-arabic/700Bold/NotoSansArabic_700Bold.ttf?url'
import arabic from '@expo-google-fonts/noto-sans-arabic/400Regular/NotoSansArabic_400Regular.ttf?url'
import greekCyrillicBold from '@expo-google-fonts/noto-sans/700Bold/NotoSans_700Bold.ttf?url'
import greekCyrillic from '@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf?url'
import han from '@expo-google-fonts/noto-sans-sc/400Regular/NotoSansSC_400Regular.ttf?url'
import hangul from '@expo-google-fonts/noto-sans-kr/400Regular/NotoSansKR_400Regular.ttf?url'
import hebrewBold from '@expo-google-fonts/noto-sans-hebrew/700Bold/NotoSansHebrew_700Bold.ttf?url'
import hebrew from '@expo-google-fonts/noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf?url'
import latinBold from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'
import latin from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import type { ScriptFace, Weight } from '@press/index'

/** Where the font files of booklets lie; each is loaded when a booklet needs it. */
export const FONT_FILES: Readonly<Record<ScriptFace, Readonly<Record<Weight, string>>>> = {
  latin: { regular: latin, bold: latinBold },
  'greek-cyrillic': { regular: greekCyrillic, bold: greekCyrillicBold },
  hebrew: { regular: hebrew, bold: hebrewBold },
  arabic: { regular: arabic, bold: arabicBold },
  // These come in one weight: a second would be sixteen megabytes more.
  hangul: { regular: hangul, bold: hangul },
  han: { regular: han, bold: han },
}
