/** What the help says, in the order of the work. Paragraphs are plain text; `to` is the screen where it is done. */
export interface Topic {
  readonly id: string
  readonly group: 'How to' | 'How the figures are made' | 'What the words mean'
  readonly title: string
  readonly text: readonly string[]
  readonly to?: { readonly path: string; readonly name: string }
}

const howTo = (id: string, title: string, path: string, name: string, ...text: readonly string[]): Topic => ({
  id,
  group: 'How to',
  title,
  text,
  to: { path, name },
})
const figure = (id: string, title: string, ...text: readonly string[]): Topic => ({
  id,
  group: 'How the figures are made',
  title,
  text,
})
const word = (id: string, title: string, ...text: readonly string[]): Topic => ({
  id,
  group: 'What the words mean',
  title,
  text,
})

export const topics: readonly Topic[] = [
  howTo(
    'start',
    'Begin with your own desk',
    '/start',
    'Start',
    'Choose “Start with my own desk” in the Plan menu. Pick what stands on the desk, say which hand stays on the keys and how large it is, name your system, layout and programs, bring in your commands, and sort them into piles.',
    'Each step can be passed over and gone back to. The new plan stands beside the others; nothing is replaced.',
  ),
  howTo(
    'bring-in',
    'Bring in commands and keys',
    '/commands/bring-in',
    'Bring in',
    'Choose a file, paste, or drop: spreadsheets, tables of pages, settings and key files, and lists are read. Look over what the columns are taken for and change it where it is wrong; it is remembered for files of the same kind.',
    'Before anything changes you see what is new, what is different, and every line that cannot be read, with the reason. Keys can stand in place of those that a command has, beside them, or in place of all of the program’s. What is locked stays.',
  ),
  howTo(
    'often',
    'Say how often you use what',
    '/commands/often',
    'How often',
    'Without a log, press 1 to 4 for each command: rarely, daily, hourly, all the time. The figures behind the words can be set. Twenty commands are enough for a first proposal.',
    'In the inventory a rate is typed as it is said: 12, 5/h, 300 a day, daily. With a log of use, under Usage, rates are counted instead.',
  ),
  howTo(
    'boards',
    'Use a board of your own',
    '/bench',
    'Bench',
    'Split, contoured and small boards stand in the list of “Add a device”. A board can also be read from a geometry file of the X keyboard extension or from an SVG drawing, and any keyboard of the list becomes yours with “Make it mine to change”: move, turn and raise its keys, add an arc for the thumb, mirror a half, and press its keys in order to tell what they send.',
    'Layers of a device’s firmware are set under “Layers”: what a key sends while another is held. Keys that no board has, such as F13, come near your hand that way and can carry commands in every program.',
  ),
  howTo(
    'own-hand',
    'Tell how far your own hand reaches',
    '/bench/hand',
    'Hand',
    'Twenty-four chords come up one by one; say whether each is easy, a stretch, or makes your hand leave. The chart then goes by your own reach. How well your answers foretell each other is shown beside an average hand, and it can be undone.',
    'Below that you can rest or spare a finger, keep the wrist still, or shorten the reach in a direction. These say what you want of the chart; they are no diagnosis.',
  ),
  howTo(
    'next',
    'Find out what to change next',
    '/',
    'Plot',
    'The list “What next” stands in the order of what a better place would gain, in seconds an hour. Choose the first; the chart shows how good each key would be for it, and the places are ranked at the right, each with its reason.',
  ),
  howTo(
    'place',
    'Give a command a key',
    '/',
    'Plot',
    'Choose the command, then a place in the list or a key on the chart. If the command has a key already, Enter puts the new one in its stead and Shift+Enter beside it. If the key is taken, you see who would have to move where before anything moves.',
    'Hold the real modifier keys to see the chart for them.',
  ),
  howTo(
    'lock',
    'Keep what must not change',
    '/',
    'Plot',
    'Choose a command or a key and lock it: nothing that proposes, imports or solves will move it. A key can also be barred, so that nothing is put there.',
  ),
  howTo(
    'clashes',
    'Find and mend clashes',
    '/clashes',
    'Clashes',
    'Each finding says who takes the key, at which stage of the press, and how sure that is. Remedies are offered on a click and say what they would bring. What you live with can be accepted with a note.',
  ),
  howTo(
    'solve',
    'Let the app propose moves',
    '/solve',
    'Solve',
    'Say what may move: a few commands, one program, one device, only what has no key. Each move comes with its gain, its reason, and in how many of 64 draws it gains. Take all or some. A move that you decline teaches: say why, and later proposals follow.',
  ),
  howTo(
    'compare',
    'See whether it is worth it',
    '/compare',
    'Compare',
    'Arrangements stand side by side: seconds a day, trips of the hand, load of the fingers, clashes, what has to be learned. Press a figure to see how it is worked out, row by row.',
  ),
  howTo(
    'try',
    'Follow a press',
    '/try',
    'Try',
    'Press a key or click a control: you see what happens to it in the device, the system, the program, and which command it ends in, or where it is lost.',
  ),
  howTo(
    'learn',
    'Learn the new keys',
    '/learn',
    'Learn',
    'A few new keys a day, what gains most first; until its day a command keeps its old key. Begin, and press the key of each command that comes up. What was wrong or slow comes again soon, what you know in days. The record of your answers stays in this browser; save it as a file to carry it elsewhere. After 200 answers your own slips, learning and times can stand in place of what is assumed. A key that would do harm from habit can stay empty for the first weeks.',
  ),
  howTo(
    'carry',
    'Set it up, program by program',
    '/carry',
    'Carry',
    'From what is set now to the arrangement in front: what to take off and what to give, in an order in which no key is ever held twice. Tick off what is done; say what is not possible, and that place is not proposed again. Keys of the system come as lines for a terminal with a way back, and a program’s own key file can be written over as it is; kept with the plan, it is written anew without the file. What is left to do can be saved as PDF, page, text or table.',
    'A team’s standard: choose its plan, and take over what it says as far as it suits your desk, hand and system; for the rest the nearest free place is proposed. Where you keep your own way, say why. A newer version of the standard shows only what is new in it.',
  ),
  howTo(
    'travel',
    'Take it to another desk',
    '/bench/moves',
    'From bench to bench',
    'What the other bench lacks is listed. “Find places for them” proposes the nearest free place there for each command that would be left without a key: with the same letter, in the same direction or with the same finger. They hold on that bench alone.',
  ),
  howTo(
    'labels',
    'Print labels',
    '/labels',
    'Labels',
    'Stickers for key tops, faces of decks, cards and lists, in true millimetres. Print a test first: it tells what your printer does to a millimetre.',
  ),
  howTo(
    'plans',
    'Keep several plans, and go back',
    '/plans',
    'All plans',
    'Plans stand side by side in this browser. Each has a past: the states that it was in, with time and what was changed. Going back can itself be undone. Export a plan to carry it elsewhere; nothing leaves this browser by itself.',
  ),
  figure(
    'reach',
    'What the hand reaches',
    'A model of the hand looks for the least strained posture that presses a key from where the fingers rest: how far each finger stretches, how far the palm shifts, how much the wrist turns. From that come the words: at rest, easy, a stretch, or the hand must move.',
    'Trust it for the order of keys, less for the last millimetre. Your span sets its size; your own pace can be measured under Bench, Hand.',
  ),
  figure(
    'time',
    'Seconds',
    'A press takes 100 ms and, by Fitts’s law, 100 ms for each bit of distance and smallness. Moving the hand to the mouse and back, pointing, clicking and looking for a menu entry have the times of the keystroke-level model (Card, Moran and Newell, 1980).',
    'They are averages of practised people: differences between two arrangements hold better than the seconds themselves. A saving shows its range over how well the menus are known and how sure the rates are.',
  ),
  figure(
    'cost',
    'The cost of a place',
    'In ms a use: time, stretch and weak fingers, work of the pointing hand, what is hard to remember, who is pushed out, clashes, and the harm of slips. The weights can be changed on the Plot; the bars under each place show the parts.',
  ),
  figure(
    'gain',
    'The gain in “What next”',
    'Uses an hour, times the difference between a use today and a use on the best place that can be had. Of a command without a key, a use today is its menu. Uses that your log shows through the menu although there was a key are left out: moving a key does not change that habit.',
  ),
  figure(
    'doubt',
    'How sure it is',
    'Whatever is assumed is drawn anew 64 times, a fifth up or down, and rates by how they were counted. “First in 80 %” is the share of draws in which a place comes first. A move is sure when it gains in nine of ten, likely in seven of ten.',
  ),
  figure(
    'mnemonic',
    'How well a key reminds',
    'From 0 to 1: the first letter of the main word, a letter that is heard, the same idea elsewhere, opposites side by side, a direction, a number, a reminder of your own. What you use fifty times a day is known by heart, so a letter counts little there.',
  ),
  figure(
    'strain',
    'Strain Index',
    'By Moore and Garg (1995): how hard, how long, how often, in which posture, how fast, for how many hours. It is a screening aid, and no medical advice.',
  ),
  word(
    'arrangement',
    'Arrangement',
    'Which command stands on which key. A plan has several; the programs’ own keys are one of them, and are never edited, only copied or brought in anew.',
  ),
  word(
    'bench',
    'Bench',
    'What stands on the desk and where the hands rest, in mm. A plan may have several: at home, on the train.',
  ),
  word(
    'context',
    'Context, or mode',
    'A state of a program in which some commands live: a tool, a panel, a field of text. The same key can mean different things in two of them.',
  ),
  word(
    'clash',
    'Clash',
    'What keeps a press from doing what is meant: it never arrives, it hides another, it has two answers, or it asks for care.',
  ),
  word(
    'chord',
    'Chord, sequence',
    'A chord is a key with modifiers held. A sequence is two to four chords, one after another.',
  ),
  word(
    'modifier',
    'Modifier',
    'A key that is held while another is pressed: Shift, Ctrl, Alt, AltGr, and Super, which is Win or Command on other systems.',
  ),
  word(
    'relay',
    'Relay',
    'What a pad’s button sends in place of naming the command: a combination that the program understands. It breaks when the program’s key changes; the check finds that.',
  ),
  word(
    'popup',
    'Pop-up set',
    'A handful of commands that open around the pointer by one press, to be chosen by a direction or a number.',
  ),
  word('trip', 'Trip', 'A hand leaves its home, or what it holds, and comes back.'),
  word(
    'standard',
    'Standard key',
    'Copy, save, undo and their like have keys that are the same in most programs of a system. They count as known, and stay unless you say otherwise.',
  ),
]
