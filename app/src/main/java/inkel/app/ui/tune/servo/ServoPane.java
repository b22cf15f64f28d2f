package inkel.app.ui.tune.servo;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.core.tune.servo.ServoDraft;

/** The bench of a servo: its ends above, the map from an input and places to go below. */
public final class ServoPane extends BenchPane implements ServoDesk {
    private final Session session;
    private final ServoEnds ends;
    private final ServoMap map;
    private final ServoPlaces places;

    public ServoPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        ends = new ServoEnds(session, this);
        map = new ServoMap(this);
        places = new ServoPlaces(session, at, this);
        getChildren().addAll(ends.sheet(), twoSheets(map.sheet(), places.sheet()));
        show();
    }

    @Override
    public ServoDraft draft() {
        return session.tune().servos().of(at()).orElseThrow();
    }

    @Override
    public void change(ServoDraft next) {
        say("");
        session.tune().servos().change(at(), next);
    }

    /** @param isFine one step of the drive alone */
    public void step(int direction, boolean isFine) {
        ends.step(direction, isFine);
    }

    /** It stopped or hums where it is. */
    public void stopped() {
        ends.stopped();
    }

    @Override
    public void show() {
        session.tune().servos().of(at()).ifPresent(draft -> {
            ends.show(draft);
            map.show(draft);
            places.show(draft);
        });
    }
}
