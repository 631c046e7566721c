/** Mobility, stretches, wrist preparation, breathing. Columns: see parse-rows.ts. */
export const MOBILITY = `
wrist circle | wrist roll | mobility | standing | p | | 1 | 2/3/4 | 10000000 | 00 | fingers laced or loose | slow circles both ways | no forcing
wrist rock | palms-down rock | mobility | hands-and-knees | p | | 1 | 2/3/4 | 20100010 | 00 | on hands and knees, fingers forward | rock forward and back | stop before it pinches
seated wrist bend | wrist lift | mobility | seated | p | | 1 | 2/2.6/3.4 | 10000000 | 00 | forearm on the thigh, hand over the knee | lift the hand, lower it | slow
fist and fan | finger fan | mobility | seated | p | | 1 | 1.4/2/3 | 00000000 | 00 | hands before you | close to a fist, open wide | shoulders loose
forearm stretch | wrist stretch | mobility | standing | h1p | | 1 | 10/20/30 | 10000000 | 00 | one arm long, palm away | draw the fingers back with the other hand | gently, elbow straight
prayer stretch | palms-together stretch | mobility | seated | hp | | 1 | 10/20/30 | 10000000 | 00 | palms together before the chest | lower the hands until the forearms feel it | palms stay together
arm circle | | mobility | standing | | | 1 | 1.5/2/3 | 00100000 | 00 | arms to the sides | circles growing larger, both ways | ribs in
shoulder roll | | mobility | standing | | | 1 | 1.5/2/3 | 00100000 | 00 | arms loose | roll up, back and down | slow
seated shoulder roll | | mobility | seated | | | 1 | 1.5/2/3 | 00000000 | 00 | sit tall, arms loose | roll up, back and down | neck long
neck turn | | mobility | seated | | | 1 | 3/4/6 | 00010000 | 00 | sit tall | turn to one side, to the other | only as far as is easy
cat and cow | cat-cow | mobility | hands-and-knees | | | 1 | 3.5/5/7 | 10101010 | 00 | on hands and knees | round the back, let it sink | breathe with it
seated cat and cow | chair cat-cow | mobility | seated | | | 1 | 3.5/5/7 | 00001000 | 00 | sit at the edge, hands on the thighs | round the back, open the chest | breathe with it
standing cat and cow | | mobility | standing | | | 1 | 3.5/5/7 | 00001000 | 00 | hands on soft knees | round the back, open the chest | weight on the legs
thread the needle | | mobility | hands-and-knees | 1 | | 1 | 3.5/5/7 | 10111010 | 00 | on hands and knees | one arm under the other, then open | hips stay over the knees
open book | side-lying chest opener | mobility | supine | 1 | | 1 | 4/6/8 | 00101000 | 00 | on your side, knees bent | open the top arm behind you, close | look after the hand
kneeling hip opener | | mobility | kneeling | 1 | | 1 | 3/4/6 | 00000110 | 00 | one knee down on something soft | shift forward and back | tuck the tail
standing hip opener | | mobility | standing | 1 | | 1 | 2/3/4 | 00000101 | 00 | hand on a wall | lift the knee, open it to the side, lower | tall
90-90 hip switch | ninety-ninety | mobility | seated | f | | 1 | 2.5/3.5/5 | 00001210 | 00 | on the floor, both knees bent to one side | knees over to the other side | hands behind if needed
seated figure four | chair figure four | mobility | seated | h1 | | 1 | 15/30/45 | 00000100 | 00 | one ankle on the other knee | lean forward a little and stay | flex the lifted foot
leg swing | | mobility | standing | 1 | | 1 | 1/1.4/2 | 00000101 | 00 | hand on a wall or chair | swing one leg forward and back | loose, not high
seated leg swing | | mobility | seated | 1 | | 1 | 1/1.4/2 | 00000000 | 00 | sit tall | swing one lower leg forward and back | loose
ankle rock | | mobility | standing | 1 | | 1 | 2/3/4 | 00000011 | 00 | one foot forward, knee bent | knee over the toes and back | heel stays down
ankle circle | | mobility | seated | 1 | | 1 | 2/2.6/3.4 | 00000000 | 00 | sit, one foot lifted | circles both ways | slow
roll-down | standing roll-down | mobility | standing | | | 1 | 5/7/10 | 00011000 | 00 | stand tall, knees soft | roll down bone by bone, and up | one bone after the other
hip circle | standing hip circle | mobility | standing | | | 1 | 1.6/2.2/3 | 00001100 | 00 | hands on the hips | circles both ways | knees soft
squat hold stretch | deep squat sit | mobility | standing | h | | 1 | 15/30/45 | 00001222 | 00 | feet wide, hold something firm | sit low and stay | heels down, or on a book
doorway chest stretch | chest stretch | mobility | standing | h1 | wall | 1 | 15/30/45 | 00100000 | 00 | forearm on the frame | turn away and stay | forearm on the frame, turn away
seated chest opener | chair chest stretch | mobility | seated | h | | 1 | 10/20/30 | 00100000 | 00 | hands behind the hips | lift the breastbone and stay | chin level
upper-back stretch | hug stretch | mobility | seated | h | | 1 | 10/20/30 | 00100000 | 00 | hug yourself | round the upper back and stay | breathe between the shoulder blades
hip flexor stretch | | mobility | kneeling | h1 | | 1 | 15/30/45 | 00000110 | 00 | one knee down on something soft | hips forward and stay | tuck the tail
standing hip flexor stretch | | mobility | standing | h1 | | 1 | 15/30/45 | 00000100 | 00 | long split stance | back heel up, tuck the tail, stay | tall
hamstring stretch | | mobility | supine | h1 | towel | 1 | 15/30/45 | 00000100 | 00 | on your back, towel round one foot | leg up and stay | towel round the foot, knee soft
seated hamstring stretch | chair hamstring stretch | mobility | seated | h1 | | 1 | 15/30/45 | 00001100 | 00 | one leg long before the chair | lean forward from the hips and stay | long back
standing quad stretch | thigh stretch | mobility | standing | h1 | wall | 1 | 15/30/45 | 00000121 | 00 | hand on a wall, one foot in the hand | knees together, stay | tuck the tail
calf stretch | | mobility | standing | h1 | wall | 1 | 15/30/45 | 00000001 | 00 | hands on a wall, one foot back | back heel down, stay | back heel down
figure-four stretch | | mobility | supine | h1 | | 1 | 15/30/45 | 00000100 | 00 | on your back, ankle on the other knee | draw the legs in and stay | pull the thigh, not the shin
knees to chest | | mobility | supine | h | | 1 | 15/30/45 | 00001110 | 00 | on your back | hug both knees and stay | tail heavy
lying twist | | mobility | supine | h1 | | 1 | 15/30/45 | 00101100 | 00 | on your back, knees to one side | arms wide, stay | both shoulders heavy
child’s pose | rest pose | mobility | kneeling | h | | 1 | 20/40/60 | 00101121 | 00 | knees wide, seat to the heels | arms long, stay | breathe into the back
chair-leaning rest | leaning rest pose | mobility | standing | h | chair | 1 | 20/40/60 | 00101000 | 00 | hands on a chair back, walk away | hang long between the arms, stay | knees soft
side stretch | | mobility | standing | h1 | | 1 | 10/20/30 | 00100000 | 00 | stand tall, one arm over the head | bend to the side and stay | reach up before over
seated side stretch | chair side stretch | mobility | seated | h1 | | 1 | 10/20/30 | 00001000 | 00 | sit tall, one hand on the seat | lean to the side and stay | both hips heavy
neck stretch | | mobility | seated | h1 | | 1 | 10/20/30 | 00010000 | 00 | sit tall, one ear towards the shoulder | stay | let the weight of the head do it
calm breathing | box breathing, slow breathing | mobility | seated | h | | 1 | 30/60/120 | 00000000 | 00 | sit as is easy, a hand on the belly | in through the nose, longer out | longer out than in
lying breathing | | mobility | supine | h | | 1 | 30/60/120 | 00000000 | 00 | on your back, knees bent | breathe into the hands on the ribs | jaw loose
shake out | | mobility | standing | h | | 1 | 10/20/30 | 00000001 | 00 | stand loose | shake hands, arms, legs | loose hands, loose jaw
seated shake out | | mobility | seated | h | | 1 | 10/20/30 | 00000000 | 00 | sit loose | shake the hands, let the feet tap | loose jaw
`;
