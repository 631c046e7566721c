/**
 * Names as coaches of home, class, kettlebell, dumbbell, barbell, band, bodyweight, mobility, older-adult, desk, running and circuit
 * sessions write them (common practice, no source), with what each says:
 * name | head, or heads joined by + | kit | 1 one side at a time, h held | area: L legs, H hips and back, P push, U pull, T trunk,
 * C heart and lungs, M mobility.
 */
export const TRADE_NAMES = `
air squats | squat | | | L
bodyweight squat | squat | | | L
goblet squat | goblet squat | bottle | | L
KB goblet squat | squat | kettlebell | | L
dumbbell squats | squat | 2 dumbbells | | L
DB front squat | front squat | 2 dumbbells | | L
front squat | front squat | barbell | | L
barbell back squat | back squat | barbell | | L
back squats | back squat | barbell | | L
overhead squat | overhead squat | stick | | L
sumo squat | squat | | | L
sumo squats with kettlebell | squat | kettlebell | | L
wide squat | squat | | | L
narrow squat | squat | | | L
close-stance squat | squat | | | L
squat pulses | squat pulse | | | L
sumo squat pulses | squat | | | L
squat hold | squat | | h | L
isometric squat hold | squat | | h | L
wall sit | wall sit | wall | h | L
wall squat hold | wall sit | wall | h | L
wall sits with dumbbells | wall sit | 2 dumbbells, wall | h | L
pause squat | squat | | | L
tempo squat | slow squat | | | L
slow squats | slow squat | | | L
jump squats | squat jump | | | C
squat jumps | squat jump | | | C
dumbbell jump squat | squat | 2 dumbbells | | C
half squats | squat | | | L
deep squat | squat | | | L
one-and-a-half squats | squat | | | L
pistol squats | pistol squat | | 1 | L
assisted pistol squat | pistol squat | chair | 1 | L
single leg squat | pistol squat | | 1 | L
cossack squats | cossack squat | | 1 | L
split squat | split squat | | 1 | L
dumbbell split squats | split squat | 2 dumbbells | 1 | L
Bulgarian split squat | raised split squat | chair | 1 | L
Bulgarian split squats with dumbbells | raised split squat | 2 dumbbells, chair | 1 | L
rear-foot-raised split squat | raised split squat | chair | 1 | L
chair squats | chair squat | chair | | L
box squat | chair squat | chair | | L
sit to stand | sit-to-stand | chair | | L
sit-to-stands | sit-to-stand | chair | | L
chair stand | sit-to-stand | chair | | L
single-leg sit-to-stand | single-leg chair stand | chair | 1 | L
banded squat | squat | loop band | | L
squats with a band | squat | loop band | | L
squat with mini band | squat | loop band | | L
squat walk | squat walk | | | L
lunges | forward lunge | | 1 | L
forward lunges | forward lunge | | 1 | L
alternating lunges | forward lunge | | | L
reverse lunge | step-back lunge | | 1 | L
backward lunges | step-back lunge | | 1 | L
alternating reverse lunges | forward lunge | | | L
alt. reverse lunge | forward lunge | | | L
DB reverse lunge | forward lunge | 2 dumbbells | 1 | L
dumbbell lunges | forward lunge | 2 dumbbells | 1 | L
goblet reverse lunge | forward lunge | weight | 1 | L
walking lunges | walking lunge | | 1 | L
dumbbell walking lunges | forward lunge | 2 dumbbells | 1 | L
side lunges | side lunge | | 1 | L
lateral lunge | side lunge | | 1 | L
lateral lunge with kettlebell | forward lunge | kettlebell | 1 | L
curtsy lunge | curtsey lunge | | 1 | L
curtsey lunges | curtsey lunge | | 1 | L
lunge pulses | forward lunge | | 1 | L
lunge hold | forward lunge | | 1h | L
static lunge | split squat | | 1 | L
diagonal lunge | forward lunge | | 1 | L
jumping lunges | lunge jump | | | C
lunge jumps | lunge jump | | | C
split jumps | vertical jump | | 1 | C
overhead lunge | forward lunge | | 1 | L
step-ups | step-up | step | 1 | L
box step-up | step-up | step | 1 | L
dumbbell step-ups | step-up | 2 dumbbells, step | 1 | L
lateral step-up | step-up | step | 1 | L
step downs | step-down | step | 1 | L
step-up with knee drive | step-up + knee drive | step | 1 | L
lunge with knee drive | lunge with knee drive | | 1 | L
calf raises | calf raise | | | L
heel raises | calf raise | | | L
single-leg calf raises | single-leg calf raise | | 1 | L
seated calf raise | seated calf raise | | | L
dumbbell calf raise | calf raise | 2 dumbbells | | L
calf raise hold | calf raise | | h | L
toe raises | tibialis raise | wall | | L
deadlift | deadlift | 2 dumbbells | | H
deadlifts | deadlift | 2 dumbbells | | H
barbell deadlift | deadlift | barbell | | H
kettlebell deadlift | deadlift | kettlebell | | H
Romanian deadlift | romanian deadlift | 2 dumbbells | | H
RDL | romanian deadlift | 2 dumbbells | | H
RDLs | romanian deadlift | 2 dumbbells | | H
barbell RDL | romanian deadlift | barbell | | H
single-leg RDL | romanian deadlift | 2 dumbbells | 1 | H
SL RDL | romanian deadlift | 2 dumbbells | 1 | H
single leg deadlift | single-leg deadlift | | 1 | H
stiff-leg deadlift | romanian deadlift | 2 dumbbells | | H
sumo deadlift | sumo deadlift | kettlebell | | H
sumo deadlift high pull | sumo deadlift high pull | kettlebell | | H
suitcase deadlift | suitcase deadlift | 2 bottles | | H
kickstand deadlift | staggered deadlift | bottle | 1 | H
banded deadlift | deadlift | band | | H
good mornings | hip hinge | | | H
barbell good morning | hip hinge | barbell | | H
banded good morning | hip hinge | loop band | | H
hip hinge | hip hinge | | | H
glute bridge | glute bridge | | | H
glute bridges | glute bridge | | | H
banded glute bridge | glute bridge | loop band | | H
glute bridge hold | bridge hold | | h | H
glute bridge march | bridge march | | | H
marching bridge | bridge march | | | H
single-leg glute bridge | single-leg bridge | | 1 | H
glute bridge pulses | glute bridge | | | H
weighted glute bridge | glute bridge | weight | | H
feet-raised glute bridge | raised bridge | chair | | H
frog pumps | frog pump | | | H
hip thrusts | hip thrust | bench | | H
barbell hip thrust | hip thrust | barbell, bench | | H
single-leg hip thrust | hip thrust | bench | 1 | H
hamstring curls | hamstring curl | slider | | H
sliding hamstring curl | hamstring curl | slider | | H
Nordic curl | nordic curl | | | H
donkey kicks | donkey kick | | 1 | H
banded donkey kick | donkey kick | loop band | 1 | H
fire hydrants | fire hydrant | | 1 | L
banded fire hydrants | fire hydrant | loop band | 1 | L
clams | clam | | 1 | L
clamshells | clam | | 1 | L
banded clamshell | clam | loop band | 1 | L
side-lying leg raise | lying side leg lift | | 1 | L
side leg raises | side leg lift | | 1 | L
hip abduction | side leg lift | | 1 | L
inner thigh lift | inner thigh lift | | 1 | L
monster walk | monster walk | loop band | | L
lateral band walk | band side step | band | | L
supermans | superman | | | H
superman hold | arch hold | | h | T
back extensions | back extension | | | H
kettlebell swing | swing | kettlebell | | H
kettlebell swings | swing | kettlebell | | H
KB swings | swing | kettlebell | | H
two-handed swing | swing | kettlebell | | H
single-arm kettlebell swing | swing | kettlebell | 1 | H
one-arm swing | swing | kettlebell | 1 | H
American swing | american swing | kettlebell | | H
dumbbell swing | swing | dumbbell | | H
kettlebell clean | clean | kettlebell | 1 | H
power clean | power clean | barbell | | H
barbell power clean | clean | barbell | | H
hang clean | power clean | barbell | | H
dumbbell hang clean | power clean | 2 dumbbells | | H
clean and press | clean and press | kettlebell | 1 | P
dumbbell clean and press | clean and press | dumbbell | 1 | P
clean & jerk | clean and jerk | barbell | | P
snatch | snatch | kettlebell | 1 | H
dumbbell snatch | snatch | dumbbell | 1 | H
single-arm dumbbell snatch | snatch | dumbbell | 1 | H
alternating DB snatch | snatch | dumbbell | | H
kettlebell high pull | high pull | kettlebell | | U
push-ups | push-up | | | P
press-ups | push-up | | | P
pushups | push-up | | | P
knee push-ups | knee push-up | | | P
push-ups on knees | knee push-up | | | P
kneeling press-up | knee push-up | | | P
wall push-ups | wall push-up | wall | | P
wall press-up | wall push-up | wall | | P
incline push-up | chair push-up | chair | | P
desk push-ups | chair push-up | chair | | P
decline push-ups | feet-raised push-up | chair | | P
wide push-ups | push-up | | | P
close-grip push-up | close push-up | | | P
diamond push-ups | diamond push-up | | | P
triceps push-ups | diamond push-up | | | P
hand-release push-ups | hand-release push-up | | | P
tempo push-up | slow push-up | | | P
pause push-ups | push-up | | | P
explosive push-ups | push-up | | | P
plyo push-up | push-up | | | P
clap push-ups | clap push-up | | | P
archer push-ups | archer push-up | | | P
staggered push-ups | push-up | | 1 | P
deficit push-up | push-up | | | P
push-up hold | plank | | h | T
negative push-ups | push-up | | | P
single-arm push-up | push-up | | 1 | P
pike push-ups | pike push-up | | | P
scapular push-ups | scapular push-up | | | P
bench press | bench press | 2 dumbbells, bench | | P
barbell bench press | bench press | barbell, bench | | P
dumbbell bench press | bench press | 2 dumbbells, bench | | P
incline dumbbell press | incline bench press | 2 dumbbells, bench | | P
incline bench press | incline bench press | 2 dumbbells, bench | | P
close-grip bench press | bench press | 2 dumbbells, bench | | P
dumbbell chest press | bench press | 2 dumbbells, bench | | P
dumbbell floor press | lying floor press | 2 dumbbells | | P
floor press | lying floor press | 2 bottles | | P
single-arm floor press | lying floor press | bottle | 1 | P
chest fly | chest fly | 2 dumbbells | | P
dumbbell flyes | chest fly | 2 dumbbells | | P
band chest press | band chest press | band | | P
dips | chair dip | chair | | P
triceps dips | chair dip | chair | | P
bench dips | chair dip | chair | | P
bar dips | bar dip | bar | | P
shoulder press | overhead press | weight | | P
overhead press | overhead press | weight | | P
dumbbell shoulder press | bottle press | 2 dumbbells | | P
DB OH press | bottle press | 2 dumbbells | | P
barbell overhead press | bottle press | barbell | | P
military press | overhead press | weight | | P
seated dumbbell press | seated bottle press | 2 dumbbells | | P
seated shoulder press | seated bottle press | 2 bottles | | P
single-arm shoulder press | single bottle press | bottle | 1 | P
one-arm kettlebell press | single bottle press | kettlebell | 1 | P
alternating dumbbell press | bottle press | 2 dumbbells | | P
half-kneeling dumbbell press | half-kneeling press | dumbbell | 1 | P
kettlebell bottoms-up press | bottoms-up press | kettlebell | 1 | P
push press | push press | 2 dumbbells | | P
dumbbell push press | push press | 2 dumbbells | | P
thruster | thruster | 2 dumbbells | | P
thrusters | thruster | 2 dumbbells | | P
dumbbell thrusters | thruster | 2 dumbbells | | P
barbell thruster | thruster | barbell | | P
kettlebell thruster | thruster | kettlebell | | P
squat to press | thruster | 2 dumbbells | | P
squat press | thruster | 2 dumbbells | | P
squat and press | thruster | 2 dumbbells | | P
lateral raises | lateral raise | 2 bottles | | P
dumbbell lateral raise | lateral raise | 2 dumbbells | | P
side raises | lateral raise | 2 bottles | | P
front raise | front raise | 2 bottles | | P
band front raise | front raise | band | | P
plate front raise | front raise | plate | | P
scaption | scaption | 2 dumbbells | | P
overhead triceps extension | triceps extension | bottle | | P
dumbbell triceps extension | triceps extension | dumbbell | | P
triceps kickbacks | triceps kickback | 2 bottles | | P
dumbbell kickbacks | triceps kickback | 2 dumbbells | | P
skull crushers | skull crusher | 2 dumbbells | | P
barbell skull crusher | skull crusher | barbell | | P
kettlebell halo | halo | kettlebell | | P
wall angels | wall angel | wall | | P
handstand hold | handstand hold | wall | h | P
handstand push-ups | handstand push-up | wall | | P
wall walks | wall walk | wall | | P
biceps curls | biceps curl | 2 bottles | | U
bicep curl | biceps curl | 2 bottles | | U
dumbbell curls | biceps curl | 2 dumbbells | | U
barbell curl | biceps curl | barbell | | U
hammer curls | biceps curl | 2 bottles | | U
DB hammer curl | biceps curl | 2 dumbbells | | U
alternating biceps curls | biceps curl | 2 bottles | | U
banded biceps curl | biceps curl | band | | U
concentration curl | concentration curl | dumbbell | 1 | U
reverse curl | biceps curl | 2 bottles | | U
curl to press | curl to press | 2 bottles | | P
hammer curl to press | curl to press | 2 bottles | | P
dumbbell curl and press | curl to press | 2 dumbbells | | P
bent-over row | bent-over row | 2 bottles | | U
bent over rows | bent-over row | 2 bottles | | U
dumbbell row | bent-over row | 2 dumbbells | | U
dumbbell bent-over row | bent-over row | 2 dumbbells | | U
barbell row | bent-over row | barbell | | U
single-arm dumbbell row | supported row | dumbbell, chair | 1 | U
one-arm row | supported row | bottle, chair | 1 | U
band row | band row | band | | U
seated band row | band row | band | | U
inverted row | bar row | bar | | U
renegade row | renegade row | 2 dumbbells | | U
plank row | renegade row | 2 dumbbells | | U
upright row | upright row | 2 dumbbells | | U
kettlebell upright row | upright row | kettlebell | | U
reverse flys | reverse fly | 2 dumbbells | | U
rear delt fly | reverse fly | 2 dumbbells | | U
band pull-aparts | band pull-apart | band | | U
pull-aparts | band pull-apart | band | | U
face pulls | band face pull | band | | U
lat pulldown | lat pull-down | cable machine | | U
banded lat pulldown | lat pull-down | band | | U
dumbbell pullover | pullover | dumbbell | | U
shrugs | shrug | 2 dumbbells | | U
barbell shrug | shrug | barbell | | U
pull-ups | pull-up | bar | | U
pullups | pull-up | bar | | U
chin-ups | chin-up | bar | | U
assisted pull-ups | pull-up | bar, band | | U
banded pull-ups | pull-up | bar, band | | U
negative pull-ups | pull-up | bar | | U
wide-grip pull-up | pull-up | bar | | U
dead hang | bar hang | bar | h | U
muscle-ups | muscle-up | bar | | U
prone Y raise | y raise | | | U
snow angels | snow angel | | | U
external rotation with band | external rotation | band | 1 | U
farmer's carry | suitcase carry | 2 bottles | h | T
farmer's walk | suitcase carry | 2 bottles | h | T
kettlebell farmer carry | suitcase carry | kettlebell | h | T
overhead carry | overhead carry | bottle | 1h | T
dumbbell overhead carry | overhead carry | dumbbell | 1h | T
Turkish get-up | get-up | kettlebell | 1 | T
kettlebell windmill | windmill | kettlebell | 1 | T
around the world | around the world | kettlebell | | T
plank | plank | | h | T
high plank | plank | | h | T
forearm plank | forearm plank | | h | T
elbow plank | forearm plank | | h | T
low plank hold | forearm plank | | h | T
knee plank | kneeling plank | | h | T
plank hold | plank | | h | T
side plank | side plank | | 1h | T
side plank hold | side plank | | 1h | T
knee side plank | kneeling side plank | | 1h | T
side plank hip dips | side plank dip | | 1 | T
side plank with rotation | side plank rotation | | 1 | T
reverse plank | reverse plank | | h | T
plank shoulder taps | shoulder tap | | | T
shoulder taps | shoulder tap | | | T
plank up-downs | plank walk | | | T
up-down plank | plank walk | | | T
plank hip dips | plank hip dip | | | T
plank jacks | plank jack | | | C
plank leg lifts | plank leg lift | | | T
plank toe taps | plank toe tap | | | T
weighted plank | plank | weight | h | T
bear plank | bear plank | | h | T
bear hold | hover hold | | h | T
V-ups | v-up | | | T
v ups | v-up | | | T
tuck-ups | tuck-up | | | T
jackknives | v-up | | | T
sit-ups | sit-up | | | T
situps | sit-up | | | T
butterfly sit-up | butterfly sit-up | | | T
weighted sit-ups | sit-up | weight | | T
crunches | toe reach crunch | | | T
bicycle crunches | bicycle crunch | | | T
reverse crunches | reverse crunch | | | T
oblique crunch | cross crunch | | | T
standing crunches | standing crunch | | | T
heel taps | heel touch | | | T
toe touches | toe touch | | | T
leg raises | leg lowering | | | T
lying leg raise | leg lowering | | | T
hanging knee raises | hanging knee raise | bar | | T
hanging leg raise | hanging leg raise | bar | | T
toes to bar | hanging leg raise | bar | | T
flutter kicks | flutter kick | | | T
scissor kicks | scissor kick | | | T
hollow hold | hollow hold | | h | T
hollow body hold | hollow hold | | h | T
hollow rocks | hollow rock | | | T
arch hold | arch hold | | h | T
dead bugs | dead bug | | | T
bird dogs | bird dog | | 1 | T
Russian twists | seated twist | | | T
weighted Russian twist | seated twist | weight | | T
Russian twist with medicine ball | seated twist | medicine ball | | T
boat hold | boat hold | | h | T
L-sit | l-sit | bar | h | T
ab wheel rollouts | roll-out | wheel | | T
wood chops | wood chop | bottle | 1 | T
dumbbell woodchop | wood chop | dumbbell | 1 | T
side bends | standing side bend | | 1 | T
dumbbell side bend | standing side bend | dumbbell | 1 | T
windshield wipers | windscreen wiper | | | T
pelvic tilts | pelvic tilt | | | T
mountain climbers | mountain climber | | | C
slow mountain climbers | slow mountain climber | | | C
cross-body mountain climbers | mountain climber | | | C
burpees | burpee | | | C
half burpees | squat thrust | | | C
squat thrusts | squat thrust | | | C
no-jump burpee | step-back squat thrust | | | C
burpee without push-up | burpee | | | C
dumbbell burpee | burpee | 2 dumbbells | | C
burpee broad jumps | burpee broad jump | | | C
burpee box jump-over | burpee + box jump-over | box | | C
burpee pull-ups | burpee pull-up | bar | | U
sprawls | sprawl | | | C
man-makers | man-maker | 2 dumbbells | | P
devil press | devil press | 2 dumbbells | | P
jumping jacks | jumping jack | | | C
star jumps | jumping jack | | | C
low-impact jumping jacks | step jack | | | C
step jacks | step jack | | | C
half jacks | half jack | | | C
seal jacks | seal jack | | | C
squat jacks | squat jack | | | C
high knees | high knees | | | C
butt kicks | butt kick | | | C
tuck jumps | tuck jump | | | C
broad jumps | broad jump | | | C
box jumps | box jump | box | | C
skater jumps | skater jump | | | C
skaters | skater jump | | | C
lateral hops | ski jump | | | C
pogo hops | pogo hop | | | C
single-leg hops | hop | | 1 | C
frog jumps | frog jump | | | C
fast feet | fast feet | | | C
shadow boxing | shadow boxing | | | C
jab cross | jab | | | C
punches | jab | | | C
uppercuts | uppercut | | | C
front kicks | front kick | | | C
side kicks | side kick | | 1 | C
bear crawl | bear crawl | | | C
bear crawls | bear crawl | | | C
crab walk | crab walk | | | C
inchworms | walk-out | | | P
inchworm with push-up | walk-out push-up | | | P
lateral shuffle | side shuffle | | | C
grapevine | carioca | | | C
skipping | skip | rope | | C
jump rope | skip | rope | | C
skipping rope | skip | rope | | C
double unders | double skip | rope | | C
march on the spot | march | | | C
marching | march | | | C
seated march | seated march | | | C
jog on the spot | run on the spot | | | C
run | run | | | C
easy jog | run | | | C
sprints | sprint | | | C
shuttle runs | shuttle run | | | C
strides | stride | | | C
brisk walk | walk | | | C
A-skips | skip step | | | C
rower | rowing machine | rowing machine | | U
rowing machine | rowing machine | rowing machine | | U
air bike | air bike | bike | | C
exercise bike | exercise bike | bike | | C
sled push | sled push | sled | | C
ball slams | ball slam | medicine ball | | H
medicine ball slam | ball slam | medicine ball | | H
wall balls | wall ball | medicine ball, wall | | L
battle ropes | rope wave | heavy rope | | C
rope slams | rope slam | heavy rope | | H
quad stretch | standing quad stretch | wall | 1h | M
standing quad stretch | standing quad stretch | wall | 1h | M
hamstring stretch | hamstring stretch | towel | 1h | M
seated hamstring stretch | seated hamstring stretch | | 1h | M
calf stretch | calf stretch | wall | 1h | M
hip flexor stretch | hip flexor stretch | | 1h | M
glute stretch | pigeon pose | | 1h | M
figure four stretch | figure-four stretch | | 1h | M
chest stretch | doorway chest stretch | wall | 1h | M
triceps stretch | triceps stretch | | 1h | M
cross-body shoulder stretch | shoulder stretch | | 1h | M
child's pose | child’s pose | | h | M
downward dog | downward dog | | h | M
cobra | cobra | | h | M
pigeon pose | pigeon pose | | 1h | M
butterfly stretch | butterfly stretch | | h | M
cat-cow | cat and cow | | | M
cat cow | cat and cow | | | M
thread the needle | thread the needle | | 1 | M
open book | open book | | 1 | M
thoracic rotations | thoracic rotation | | 1 | M
world's greatest stretch | world’s greatest stretch | | 1 | M
arm circles | arm circle | | | M
shoulder rolls | shoulder roll | | | M
neck rolls | neck roll | | | M
chin tucks | chin tuck | | | M
hip circles | hip circle | | | M
leg swings | leg swing | | 1 | M
lateral leg swings | leg swing to the side | | 1 | M
ankle circles | ankle circle | | 1 | M
wrist circles | wrist circle | | | M
foam rolling | foam roll | roller | h | M
box breathing | calm breathing | | h | M
single-leg balance | single-leg balance | | 1h | L
heel-to-toe walk | heel-to-toe walk | | | C
seated knee raise | seated knee lift | | 1 | L
knee raises | standing knee drive | | | C
seated leg extension | seated leg extension | | 1 | L
arm raises | arm raise | | | P
reverse lunge with biceps curl | forward lunge + biceps curl | 2 bottles | 1 | L
reverse lunge curl | forward lunge + biceps curl | 2 bottles | 1 | L
DB reverse lunge + curl | forward lunge + biceps curl | 2 dumbbells | 1 | L
lunge to press | forward lunge + overhead press | weight | 1 | L
lunge with twist | forward lunge + standing twist | | 1 | L
lateral lunge to curtsy lunge | forward lunge + forward lunge | | 1 | L
squat to calf raise | squat to toes | | | L
squat with overhead reach | squat to reach | | | C
squat and side kick | squat + side kick | | 1 | L
squat to front kick | squat kick | | | L
deadlift to row | suitcase deadlift to row | 2 bottles | | H
deadlift and upright row | deadlift + upright row | 2 dumbbells | | H
barbell clean to front squat | clean + front squat | barbell | | H
kettlebell clean and squat | clean + squat | kettlebell | 1 | H
plank to downward dog | plank + downward dog | | | T
push-up to side plank | push-up + side plank | | 1 | P
push-up with shoulder tap | push-up + shoulder tap | | | P
push-up and row with dumbbells | push-up + bent-over row | 2 dumbbells | | P
push-up to renegade row | push-up + renegade row | 2 dumbbells | | U
side lunge with front raise | forward lunge + front raise | 2 bottles | 1 | L
glute bridge with chest press | glute bridge + bench press | 2 dumbbells, bench | | P
glute bridge with floor press | glute bridge + lying floor press | 2 bottles | | P
biceps curl into shoulder press | curl to press | 2 bottles | | P
bear crawl with push-up | bear crawl + push-up | | | C
burpee to tuck jump | burpee + tuck jump | | | C
jumping jack with squat | squat jack | | | C
high knees and butt kicks | high knees + butt kick | | | C
step touch with biceps curl | side step + biceps curl | 2 bottles | | U
`;
