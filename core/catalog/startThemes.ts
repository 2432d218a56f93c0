/** Themes to begin with, by the school that files like this. The names are the owner's to change. */
export const THEME_SCHOOLS = ['occasion', 'subject', 'season', 'phrase'] as const
export type ThemeSchool = (typeof THEME_SCHOOLS)[number]

// Common practice: each school's first headings.
export const START_THEMES: Readonly<Record<ThemeSchool, readonly string[]>> = {
  occasion: [
    'Birthday',
    'Thank you',
    'Congratulations',
    'Wedding and anniversary',
    'New baby',
    'New home',
    'Get well',
    'Sympathy',
    'Missing you',
    'Friendship',
    'Good luck',
    'Farewell',
    'Graduation',
    'Invitations',
  ],
  subject: [
    'Animals',
    'Birds',
    'Botanicals',
    'Buildings and places',
    'Food and drink',
    'Garden',
    'Hobbies',
    'Music',
    'People',
    'Sea and shore',
    'Textures and patterns',
    'Tools',
    'Travel',
    'Weather and sky',
  ],
  season: ['Spring', 'Summer', 'Autumn', 'Winter', 'New year', 'Harvest', 'Winter lights'],
  phrase: ['Encouragement', 'Faith and hope', 'Humour', 'Love', 'Quotations', 'Labels and to-and-from', 'Other languages'],
}
