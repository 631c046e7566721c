/** Push, press and pull. Columns: see parse-rows.ts. */
export const UPPER_BODY = `
push-up | press-up | push | prone | | | 4 | 1.4/2/3 | 22212110 | 00 | hands under the shoulders, body long | chest to the floor, push away | body in one line, chest before face
slow push-up | tempo push-up | push | prone | | | 4 | 4/5/7 | 22212110 | 00 | as for a push-up | three counts down, one up | no sag at the bottom
feet-raised push-up | decline push-up | push | prone | | chair | 5 | 1.6/2.2/3.2 | 23312110 | 00 | toes on a chair against the wall | lower and push with a straight body | ribs in, seat tight
close push-up | narrow push-up | push | prone | | | 5 | 1.6/2.2/3.2 | 33212110 | 00 | hands under the chest | elbows along the ribs, down and up | elbows don’t flare
knee push-up | | push | kneeling | | | 3 | 1.4/2/3 | 22211010 | 00 | knees on something soft, hands under the shoulders | chest down, push up | hips forward, not up
fist push-up | neutral-wrist push-up | push | prone | | | 4 | 1.5/2.1/3.1 | 12212110 | 00 | on fists, or on two firm books held by the edge | chest down, push away | wrists straight
wall push-up | | push | standing | | wall | 1 | 1.4/1.9/2.6 | 11110000 | 00 | hands on a wall, feet a step away | nose towards the wall, push away | elbows at half height
forearm wall push | forearm wall press | push | standing | | wall | 1 | 1.4/2/2.8 | 01110000 | 00 | forearms on a wall, feet a step away | lean in, press away | ribs stay in
chair push-up | incline push-up, hands-raised push-up | push | standing | | chair | 3 | 1.5/2.1/3 | 22211100 | 00 | hands on a chair against the wall | chest to the edge, push away | chair against the wall
palm press | hands-together press | push | seated | | | 1 | 2/3/4 | 10000000 | 00 | sit tall, palms together before the chest | press, hold a breath, let go | shoulders stay low
lying floor press | bottle floor press | push | supine | | bottle | 3 | 1.8/2.4/3.4 | 11110000 | 01 | on your back, a weight in each hand | press up, lower until the arms touch | wrists over the elbows
band chest press | seated band chest press | push | seated | | band | 2 | 1.6/2.2/3 | 11110000 | 00 | band round the back, ends in the hands | press forward, return slowly | shoulders stay low
chair dip | bench dip | push | standing | | chair | 3 | 1.6/2.2/3 | 22301000 | 00 | hands on the edge, seat just in front | bend the elbows, push up | shoulders away from the ears
bent-knee chair dip | easy chair dip | push | standing | | chair | 2 | 1.6/2.2/3 | 22201000 | 00 | as for a chair dip, feet close | lower a hand’s width, push up | legs help
walk-out | inchworm | push | standing | | | 3 | 3.5/5/7 | 21212100 | 00 | stand tall, knees soft | walk the hands out to a plank and back | hips don’t sway
short walk-out | half walk-out | push | standing | | chair | 2 | 3/4/6 | 11101100 | 00 | hands on a chair seat | walk the feet back to a slant and in again | chair against the wall
walk-out push-up | walk-out and push-up | push | standing | | | 4 | 3/3.75/6 | 22212100 | 00 | stand tall | walk out, one push-up, walk back | body in one line before the push | walk-out, push-up
forearm slide on the wall | wall slide | press | standing | o | wall | 1 | 2/3/4 | 01200000 | 00 | back or forearms on the wall | slide the arms up, and down | ribs stay in
bottle press | overhead bottle press | press | standing | o | bottle | 3 | 1.8/2.4/3.4 | 11212000 | 00 | weights at the shoulders | press overhead, lower slowly | ribs down, no lean back
seated bottle press | seated overhead press | press | seated | o | bottle | 2 | 1.8/2.4/3.4 | 11211000 | 00 | sit tall, weights at the shoulders | press up, lower slowly | back stays on the chair
single bottle press | one-arm press | press | standing | 1o | bottle | 3 | 1.8/2.4/3.4 | 11212000 | 00 | one weight at the shoulder | press up, lower slowly | hips stay under the ribs
half-kneeling press | kneeling bottle press | press | kneeling | 1o | bottle | 3 | 2/2.6/3.6 | 11211010 | 00 | one knee down on something soft | press the weight up, lower | tall, seat tight
band press | band overhead press | press | standing | o | band | 2 | 1.6/2.2/3 | 11211000 | 00 | stand on the band, ends at the shoulders | press up, lower slowly | wrists straight
seated front reach | front reach | press | seated | | | 1 | 2/2.6/3.6 | 00100000 | 00 | sit tall, arms by the sides | reach forward to shoulder height, lower | shoulders stay low
front raise | bottle front raise | press | standing | | bottle | 2 | 1.8/2.4/3.2 | 11101000 | 00 | weights before the thighs | raise to shoulder height, lower slowly | no swing
lateral raise | side raise | press | standing | | bottle | 2 | 1.8/2.4/3.2 | 11201000 | 00 | weights beside you | raise to the sides, lower slowly | little fingers no higher than thumbs
seated side raise | | press | seated | | | 1 | 1.8/2.4/3.2 | 00100000 | 00 | sit tall, arms by the sides | raise both arms half way to the sides, lower | neck stays long
pike push-up | | press | prone | o | | 5 | 1.8/2.4/3.4 | 32321000 | 00 | hips high, hands and feet on the floor | crown towards the floor, push up | look at your feet
triceps extension | overhead triceps | press | standing | o | bottle | 2 | 1.8/2.4/3.2 | 12201000 | 00 | one weight held overhead in both hands | bend the elbows, straighten | elbows point forward
triceps kickback | | press | standing | | bottle | 2 | 1.6/2.2/3 | 11101000 | 00 | hinge, elbows at the ribs | straighten the arms back, bend | upper arms stay still
biceps curl | bottle curl | pull | standing | | bottle | 2 | 1.6/2.2/3 | 11000000 | 00 | weights beside the thighs | curl up, lower slowly | elbows stay at the ribs
seated curl | seated bottle curl | pull | seated | | bottle | 1 | 1.6/2.2/3 | 11000000 | 00 | sit tall, weights in the hands | curl up, lower slowly | wrists straight
towel curl | | pull | seated | | towel | 1 | 2/3/4 | 11000000 | 00 | a towel under one foot, ends in the hands | curl against the foot, let go | foot gives the weight
curl to press | curl and press | press | standing | o | bottle | 3 | 3/4/5.5 | 11212000 | 00 | weights beside the thighs | curl, press, and back the same way | no swing | biceps curl, bottle press
band pull-apart | | pull | standing | | band | 2 | 1.4/2/2.8 | 01100000 | 00 | band at chest height, arms long | pull the hands apart, return slowly | shoulders stay low
seated pull-apart | seated band pull-apart | pull | seated | | band | 1 | 1.4/2/2.8 | 01100000 | 00 | sit tall, band at chest height | pull apart, return slowly | ribs stay in
band row | seated band row | pull | seated | | band | 2 | 1.6/2.2/3 | 11101000 | 00 | band round the feet or a firm anchor | pull the elbows back, return slowly | chest tall
standing band row | | pull | standing | | band | 2 | 1.6/2.2/3 | 11101000 | 00 | band round a firm anchor at chest height | elbows back, return slowly | weight on the heels
bent-over row | bottle row | pull | standing | | bottle | 3 | 1.6/2.2/3 | 11102100 | 00 | hinged, back long, weights hanging | pull to the ribs, lower slowly | back stays long
supported row | one-arm row, hand-on-chair row | pull | standing | 1 | bottle, chair | 2 | 1.6/2.2/3 | 11101100 | 00 | one hand on a chair, the other holds the weight | pull to the hip, lower slowly | shoulders stay level
doorframe row | door-frame pull | pull | standing | | doorway | 2 | 1.8/2.4/3.4 | 11101000 | 00 | hold a firm door frame with both hands, feet close | lean back, pull in | test the frame first
table row | under-table row | pull | supine | | table | 4 | 1.8/2.4/3.4 | 12201000 | 01 | under a table that can’t tip | pull the chest to the edge, lower | test the table first
towel pull | towel row hold | pull | standing | h | towel | 2 | 15/20/30 | 11100000 | 00 | a towel held tight before the chest | pull apart and stay | breathe on
elbow draw-back | shoulder-blade squeeze | pull | seated | | | 1 | 2/2.8/4 | 00100000 | 00 | sit tall, elbows bent | draw the elbows back, let go | shoulders stay low
prone swimmer | swimmer | pull | prone | | | 2 | 1/1.4/2 | 00112000 | 00 | on your front, arms long | opposite arm and leg in turn | small and quick
prone pull-down | lying pull-down | pull | prone | | towel | 2 | 2/2.8/4 | 00112000 | 00 | on your front, a towel held tight overhead | draw it to the chest, reach out | elbows off the floor
band pull-down | | pull | seated | o | band | 2 | 1.6/2.2/3 | 01200000 | 00 | band held overhead, or fixed high | pull down to the chest, return slowly | ribs stay in
bar hang | hang | pull | hanging | ho | bar | 3 | 10/20/40 | 21300000 | 00 | hands on a firm bar, feet ready | hang with active shoulders | step down, don’t drop
scapular pull | hanging shrug | pull | hanging | o | bar | 3 | 1.8/2.4/3.2 | 21300000 | 00 | hang with long arms | draw the shoulders down, let go | elbows stay straight
slow chin-up lowering | negative chin-up | pull | hanging | o | bar | 4 | 4/5/7 | 23300000 | 01 | chin over the bar from a chair | lower yourself in five counts | step up again each time
chin-up | | pull | hanging | o | bar | 5 | 2/2.8/4 | 23300000 | 00 | hang, palms towards you | pull the chin over the bar, lower | no kick
pull-up | | pull | hanging | o | bar | 5 | 2/2.8/4 | 23310000 | 00 | hang, palms away | pull the chin over the bar, lower | shoulders first
bar row | inverted row | pull | hanging | | bar | 4 | 1.8/2.4/3.4 | 12201000 | 00 | under a low firm bar, body long | chest to the bar, lower | body in one line
band face pull | | pull | standing | | band | 2 | 1.6/2.2/3 | 01200000 | 00 | band on a firm anchor at face height | pull towards the brow, elbows wide | shoulders stay low
`;
