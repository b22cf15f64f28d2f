package inkel.core.tune.servo;

import inkel.core.document.Tuning.Point;
import inkel.core.tune.Estimate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** One draft in the making, so that a change names only what it changes. */
final class ServoEdit {
    private final ServoDraft from;
    private double now;
    private double last;
    private Ends ends;
    private Optional<Double> centre;
    private Optional<Estimate> dead;
    private double deadTried;
    private double lowAngle;
    private double highAngle;
    private Optional<Double> stop;
    private Optional<Double> frequency;
    private List<Point> map;
    private Map<String, Double> places;
    private Optional<Double> release;
    private double moveTime;
    private Play play;
    private Optional<Arm> arm;

    ServoEdit(ServoDraft from) {
        this.from = from;
        now = from.now();
        last = from.last();
        ends = from.ends();
        centre = from.centre();
        dead = from.dead();
        deadTried = from.deadTried();
        lowAngle = from.lowAngle();
        highAngle = from.highAngle();
        stop = from.stop();
        frequency = from.frequency();
        map = from.map();
        places = from.places();
        release = from.release();
        moveTime = from.moveTime();
        play = from.play();
        arm = from.arm();
    }

    ServoEdit at(double next, double before) {
        now = next;
        last = before;
        return this;
    }

    ServoEdit ended(Ends next) {
        ends = next;
        return this;
    }

    ServoEdit centred(double pulse) {
        centre = Optional.of(pulse);
        return this;
    }

    ServoEdit dead(Optional<Estimate> found, double tried) {
        dead = found;
        deadTried = tried;
        return this;
    }

    ServoEdit angles(double atLow, double atHigh) {
        lowAngle = atLow;
        highAngle = atHigh;
        return this;
    }

    ServoEdit stop(Optional<Double> amperes) {
        stop = amperes;
        return this;
    }

    ServoEdit frequency(Optional<Double> hertz) {
        frequency = hertz;
        return this;
    }

    ServoEdit mapped(List<Point> corners) {
        map = corners;
        return this;
    }

    ServoEdit places(Map<String, Double> next) {
        places = next;
        return this;
    }

    ServoEdit release(Optional<Double> seconds) {
        release = seconds;
        return this;
    }

    ServoEdit move(double seconds) {
        moveTime = seconds;
        return this;
    }

    ServoEdit play(Play next) {
        play = next;
        return this;
    }

    ServoEdit arm(Optional<Arm> next) {
        arm = next;
        return this;
    }

    ServoDraft made() {
        return new ServoDraft(
                from.rig(),
                now,
                last,
                ends,
                centre,
                dead,
                deadTried,
                lowAngle,
                highAngle,
                stop,
                frequency,
                map,
                places,
                release,
                moveTime,
                play,
                arm);
    }
}
