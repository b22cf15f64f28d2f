package inkel.core.tune.servo;

import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.PolyLine;
import inkel.core.formula.SoftMove;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is known of a servo while it is on the bench. Every press makes a new draft.
 *
 * @param now the pulse that is commanded, in seconds
 * @param last the pulse before it
 * @param ends what was found
 * @param centre the pulse of the middle that the builder wants; half way between the ends where nothing was said
 * @param dead the smallest change that moves it
 * @param deadTried the largest change that was tried and did not
 * @param lowAngle the angle at the low end in degrees, as measured or said
 * @param highAngle the angle at the high end
 * @param stop what it takes at its stop, in amperes
 * @param frequency how often the pulses really come, in hertz, where it was measured
 * @param map from an input (its code) to pulses, by corners
 * @param places pulses by the builder's names
 * @param release after which time it is let go slack; absent where it holds
 * @param moveTime how long a move from end to end takes, in seconds
 * @param play how far the same place lies apart from both sides
 * @param arm what hangs on it; absent where nothing was said
 */
public record ServoDraft(
        ServoRig rig,
        double now,
        double last,
        Ends ends,
        Optional<Double> centre,
        Optional<Estimate> dead,
        double deadTried,
        double lowAngle,
        double highAngle,
        Optional<Double> stop,
        Optional<Double> frequency,
        List<Point> map,
        Map<String, Double> places,
        Optional<Double> release,
        double moveTime,
        Play play,
        Optional<Arm> arm)
        implements Draft {
    /** What an end is looked for by; finer steps are taken by hand. */
    public static final double COARSE = 10e-6;

    private static final double USUAL_TURN = 180;
    private static final double USUAL_MOVE = 1;

    /** The codes of a 10-bit converter, which most inputs are read by. */
    private static final double MOST_CODE = 1023;

    public ServoDraft {
        map = List.copyOf(map);
        places = Collections.unmodifiableMap(new LinkedHashMap<>(places));
    }

    /** Nothing found yet: in the middle, with the map from end to end of what the class says. */
    public static ServoDraft of(ServoRig rig) {
        double middle = rig.nearest(rig.middle());
        return new ServoDraft(
                rig,
                middle,
                middle,
                Ends.UNKNOWN,
                Optional.empty(),
                Optional.empty(),
                0,
                0,
                USUAL_TURN,
                Optional.empty(),
                Optional.empty(),
                List.of(new Point(0, rig.shortest()), new Point(MOST_CODE, rig.longest())),
                Map.of(),
                Optional.empty(),
                USUAL_MOVE,
                Play.NONE,
                Optional.empty());
    }

    private ServoEdit edit() {
        return new ServoEdit(this);
    }

    // --- ends

    /** Commands another pulse, in steps of the drive, and none that no servo of its class could mean. */
    public ServoDraft to(double pulse) {
        double next = rig.nearest(Math.max(rig.least(), Math.min(rig.most(), pulse)));
        return edit().at(next, now).made();
    }

    /** One coarse step, or one of the drive where that is coarser. */
    public ServoDraft stepped(int direction) {
        return to(now + direction * Math.max(COARSE, rig.step()));
    }

    /** The finest step there is. */
    public ServoDraft finer(int direction) {
        return to(now + direction * rig.step());
    }

    /** It stopped or hums where it is now: the end is where it was before, and there it goes back to. */
    public ServoDraft stopped() {
        if (now == last) {
            return this;
        }
        return edit().ended(ends.with(last, now, deadMost())).at(last, last).made();
    }

    /** What its dead band may be at most. */
    private double deadMost() {
        return dead.map(found -> found.value() + found.off()).orElse(COARSE);
    }

    /** Where it is now is the middle that is wanted. */
    public ServoDraft centred() {
        return edit().centred(now).made();
    }

    public Optional<Double> middle() {
        return centre.or(() -> ends.middle().map(Estimate::value));
    }

    /** The low end that was found, else the one of the class. */
    public double low() {
        return ends.low().map(Estimate::value).orElse(rig.shortest());
    }

    public double high() {
        return ends.high().map(Estimate::value).orElse(rig.longest());
    }

    // --- dead band

    /** The change that is tried next: one step of the drive more than the largest that did not move it. */
    public double nextDead() {
        return deadTried + rig.step();
    }

    /** @param moved whether a change by {@link #nextDead} moved it */
    public ServoDraft triedDead(boolean moved) {
        double tried = nextDead();
        return moved
                ? edit().dead(Optional.of(new Estimate((tried + deadTried) / 2, rig.step() / 2)), 0)
                        .made()
                : edit().dead(Optional.empty(), tried).made();
    }

    // --- play

    /** Whether the arm came to where it is from below, so that its place can be marked. */
    public boolean canMark() {
        return now > last;
    }

    /** The place where the arm stands is marked; the same draft where it did not come from below. */
    public ServoDraft marked() {
        return canMark() ? edit().play(play.marked(now, behind())).made() : this;
    }

    /** Whether a place is marked and the arm was stepped back, below that pulse, from above. */
    public boolean canMeetMark() {
        return play.mark().filter(mark -> now < last && now <= mark).isPresent();
    }

    /** The arm stands at its mark again, coming from above; the same draft where it did not. */
    public ServoDraft atMark() {
        return canMeetMark() ? edit().play(play.again(now, last, behind())).made() : this;
    }

    /** The play as degrees of the arm; absent while it was not found. */
    public Optional<Double> playAngle() {
        return play.found().map(found -> found.value() / Math.abs(degree()));
    }

    /** How far the arm may be behind the pulse: within its dead band it does not follow a finer step. */
    private double behind() {
        double most = deadMost();
        return Math.abs(now - last) >= most - rig.step() / 2 ? 0 : most;
    }

    // --- figures

    public ServoDraft arm(Optional<Arm> hanging) {
        return edit().arm(hanging).made();
    }

    public ServoDraft angles(double atLow, double atHigh) {
        return edit().angles(atLow, atHigh).made();
    }

    public ServoDraft stop(Optional<Double> amperes) {
        return edit().stop(amperes).made();
    }

    public ServoDraft frequency(Optional<Double> hertz) {
        return edit().frequency(hertz).made();
    }

    /** The angle of a pulse; along the line through both ends. */
    public double angle(double pulse) {
        return lowAngle + (pulse - low()) / degree();
    }

    public double pulse(double angle) {
        return low() + (angle - lowAngle) * degree();
    }

    /** Seconds of pulse for one degree. */
    public double degree() {
        return (high() - low()) / (highAngle - lowAngle);
    }

    /** How often pulses come: as measured, else as the drive says. */
    public double hertz() {
        return frequency.orElse(rig.frequency().hertz());
    }

    // --- the map from an input

    /** Corners in their order; two with one x are none. */
    public ServoDraft mapped(List<Point> corners) {
        return edit().mapped(corners).made();
    }

    /** From the input to the pulse, flat at its ends. */
    public PolyLine line() {
        return new PolyLine(
                map.stream()
                        .map(point -> new PolyLine.Corner(point.x(), point.y()))
                        .toList(),
                true);
    }

    /** The pulse that a code of the input is mapped to. */
    public double mappedTo(double code) {
        return line().at(code);
    }

    /** What the first piece of the map rises by for one code. */
    public double slope() {
        return line().slope(0);
    }

    /** What the first piece of the map, drawn on, has at code 0. */
    public double offset() {
        return line().offset(0);
    }

    /** The most that a pulse changes from one frame to the next, in a move from end to end that begins and ends softly. */
    public double fastestFrame() {
        return new SoftMove(low(), high(), moveTime).fastest() / hertz();
    }

    /** The pulses of a move from end to end, one a frame. */
    public List<Double> moveTable() {
        return new SoftMove(low(), high(), moveTime).table(1 / hertz());
    }

    /** The pulse that one code of the input moves the arm by, where it moves it most. */
    public double perCode() {
        PolyLine line = line();
        double most = 0;
        for (int i = 0; i < map.size() - 1; i++) {
            most = Math.max(most, Math.abs(line.slope(i)));
        }
        return most;
    }

    /** The degrees that one code of the input moves the arm by, where it moves it most. */
    public double anglePerCode() {
        return perCode() / Math.abs(degree());
    }

    /** Whether one code of the input moves the arm by more than its drive and dead band do. */
    public boolean isInputCoarser() {
        return perCode() > Math.max(rig.step(), dead.map(Estimate::value).orElse(0.0));
    }

    // --- places and moves

    public ServoDraft place(String name, double pulse) {
        Map<String, Double> more = new LinkedHashMap<>(places);
        more.put(name, rig.nearest(pulse));
        return edit().places(more).made();
    }

    public ServoDraft without(String name) {
        Map<String, Double> fewer = new LinkedHashMap<>(places);
        fewer.remove(name);
        return edit().places(fewer).made();
    }

    public ServoDraft released(Optional<Double> seconds) {
        return edit().release(seconds).made();
    }

    public ServoDraft moving(double seconds) {
        return edit().move(seconds).made();
    }

    /** The same map, places and moves for another servo; what was found of the piece itself is each one's own. */
    public ServoDraft usedBy(ServoDraft other) {
        return other.edit()
                .angles(lowAngle, highAngle)
                .mapped(map)
                .places(places)
                .release(release)
                .move(moveTime)
                .made();
    }

    /** Those of its places and corners that press it against an end that was found. */
    public List<Double> beyond() {
        List<Double> all = new ArrayList<>(places.values());
        map.forEach(point -> all.add(point.y()));
        double slack = rig.step() / 2;
        return all.stream()
                .filter(pulse ->
                        ends.low().filter(end -> pulse < end.value() - slack).isPresent()
                                || ends.high()
                                        .filter(end -> pulse > end.value() + slack)
                                        .isPresent())
                .toList();
    }

    /** The same with every corner and place held inside the ends that were found. */
    public ServoDraft inside() {
        List<Point> corners =
                map.stream().map(point -> new Point(point.x(), held(point.y()))).toList();
        Map<String, Double> held = new LinkedHashMap<>();
        places.forEach((name, pulse) -> held.put(name, held(pulse)));
        return edit().mapped(corners).places(held).made();
    }

    private double held(double pulse) {
        return Math.max(low(), Math.min(high(), pulse));
    }

    @Override
    public Tuning tuning() {
        return ServoKept.tuning(this);
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof ServoDraft of && of.rig.equals(rig);
    }

    @Override
    public List<Constant> constants() {
        return ServoKept.constants(this);
    }
}
