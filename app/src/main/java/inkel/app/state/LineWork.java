package inkel.app.state;

import inkel.app.line.BoardLine;
import inkel.app.line.Ear;
import inkel.app.line.LineFailure;
import inkel.app.line.Port;
import inkel.app.line.Ports;
import inkel.app.store.KnownPorts;
import inkel.core.checks.Assessment;
import inkel.core.io.document.PlanHash;
import inkel.core.quantity.Fact;
import inkel.core.wake.report.BoardReport;
import inkel.core.wake.report.ReportPlan;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** Listens to the board at a serial port, when the builder asks for it, and learns which board is at which port. */
public final class LineWork {
    /** With what a program of the plan begins: see {@code start.cpp}. */
    private static final String PLAN = "inkel-plan";

    /** What is kept of what was heard, in letters; a board may talk for days. */
    private static final int MOST = 20_000;

    /** Lines that wait to be shown; what comes faster than it can be shown is left out. */
    private static final int MOST_WAITING = 5_000;

    /** Of so many letters, more than a quarter that are none mean another rate. */
    private static final int ENOUGH = 40;

    private static final int SENSE = 4;

    private static final int USUAL_BAUD = 9600;

    /** Until a port that was closed is free again: its reader looks up every 50 ms. */
    private static final long FREED_MS = 300;

    private final Session session;
    private final ReadOnlyObjectWrapper<List<Port>> ports = new ReadOnlyObjectWrapper<>(List.of());
    private final ObjectProperty<KnownPorts> known = new SimpleObjectProperty<>(new KnownPorts(List.of()));
    private final ReadOnlyObjectWrapper<Now> now = new ReadOnlyObjectWrapper<>(Now.CLOSED);
    private final ReadOnlyObjectWrapper<String> heard = new ReadOnlyObjectWrapper<>("");
    private Ports machine;
    private BoardLine line;
    private int baud;

    /** What is sent as soon as the port is open. */
    private String asks = "";

    /** Counts the lines: what an earlier one still says is heard no more. */
    private int run;

    /** The lines since the last head of a report; empty where none came. */
    private final StringBuilder report = new StringBuilder();

    /** How far a line is. */
    public enum State {
        CLOSED,
        OPENING,
        OPEN,
        /** It went away and is waited for. */
        AWAITED
    }

    /**
     * @param port what is listened to; absent when nothing was yet
     * @param told what the builder should know of it, and perhaps do
     */
    public record Now(State state, Optional<Port> port, Optional<Fact> told) {
        static final Now CLOSED = new Now(State.CLOSED, Optional.empty(), Optional.empty());

        public boolean isListening() {
            return state != State.CLOSED;
        }
    }

    LineWork(Session session, Ports machine) {
        this.session = session;
        this.machine = machine;
    }

    /** Other ports than those of this machine. */
    public void use(Ports other) {
        close();
        machine = other;
    }

    /** Those that were there when last looked. */
    public ReadOnlyObjectProperty<List<Port>> portsProperty() {
        return ports.getReadOnlyProperty();
    }

    /** Which board is where, to be remembered between runs. */
    public ObjectProperty<KnownPorts> knownProperty() {
        return known;
    }

    public ReadOnlyObjectProperty<Now> nowProperty() {
        return now.getReadOnlyProperty();
    }

    /** All that was heard since the line was opened, as far as it is kept. */
    public ReadOnlyObjectProperty<String> heardProperty() {
        return heard.getReadOnlyProperty();
    }

    /** Looks which ports there are. */
    public void look() {
        Ports asked = machine;
        session.inBackground(() -> {
            try {
                List<Port> found = asked.list();
                onScreen(() -> ports.set(found));
            } catch (LineFailure failed) {
                onScreen(() -> now.set(new Now(State.CLOSED, Optional.empty(), Optional.of(failed.why()))));
            }
        });
    }

    /** Where a board was last heard, if that port is there; else the only port there is. */
    public Optional<Port> suggested(String board) {
        List<Port> there = ports.get();
        return there.stream()
                .filter(port -> known.get().boardAt(port).filter(board::equals).isPresent())
                .findFirst()
                .or(() -> there.size() == 1 ? Optional.of(there.get(0)) : Optional.empty());
    }

    /** The rate that the program of the shown board speaks at. */
    public int baud() {
        Assessment assessment = session.assessmentProperty().get();
        return Optional.ofNullable(assessment)
                .flatMap(of -> of.wires(session.nodeProperty().get()))
                .flatMap(list -> ReportPlan.way(list.node()))
                .map(way -> (int) Math.round(way.baud().hertz()))
                .orElse(USUAL_BAUD);
    }

    /** Listens to a port, and to no other any more. */
    public void listen(String path, int baud) {
        close();
        heard.set("");
        this.baud = baud;
        asks = "";
        Port port = ports.get().stream()
                .filter(one -> one.path().equals(path) || one.name().equals(path))
                .findFirst()
                .orElseGet(() -> new Port(path, "", Optional.empty()));
        now.set(new Now(State.OPENING, Optional.of(port), Optional.empty()));
        line = machine.listen(port.path(), baud, new Hearing(++run, port, baud));
    }

    /** The rate of the line that is open or waited for; 0 when there is none. */
    public int openBaud() {
        return now.get().isListening() ? baud : 0;
    }

    /**
     * The same port at another rate; nothing where none is open.
     *
     * @param say what is sent at once; may be empty
     */
    public void again(int other, String say) {
        if (now.get().isListening()) {
            now.get().port().ifPresent(port -> {
                close();
                now.set(new Now(State.OPENING, Optional.of(port), Optional.empty()));
                int mine = run;
                CompletableFuture.delayedExecutor(
                                FREED_MS, TimeUnit.MILLISECONDS, session.lanes().screen())
                        .execute(() -> {
                            if (run == mine) {
                                listen(port.path(), other);
                                asks = say;
                            }
                        });
            });
        }
    }

    public void send(String text) {
        if (line != null) {
            line.send(text);
        }
    }

    /** Ends the listening; what was heard stays to be read. */
    public void close() {
        if (line != null) {
            line.close();
            line = null;
            now.set(new Now(State.CLOSED, now.get().port(), Optional.empty()));
        }
        run++;
        report.setLength(0);
    }

    private void onScreen(Runnable change) {
        session.lanes().screen().execute(change);
    }

    /** What one line says, as long as it is the one that is listened to. */
    private final class Hearing implements Ear {
        private final int mine;
        private final Port port;
        private final int baud;
        private final Queue<String> waiting = new LinkedBlockingQueue<>(MOST_WAITING);
        private final AtomicBoolean isTaking = new AtomicBoolean();
        private int letters;
        private int nonsense;

        /** Told for as long as the port is open: the board has the code of another plan. */
        private Optional<Fact> otherPlan = Optional.empty();

        Hearing(int mine, Port port, int baud) {
            this.mine = mine;
            this.port = port;
            this.baud = baud;
        }

        private void tell(State state, Optional<Fact> told) {
            now.set(new Now(state, Optional.of(port), told));
        }

        private void ifStill(Runnable change) {
            onScreen(() -> {
                if (run == mine) {
                    change.run();
                }
            });
        }

        @Override
        public void opened() {
            ifStill(() -> {
                tell(State.OPEN, Optional.empty());
                if (!asks.isEmpty()) {
                    line.send(asks + "\r");
                }
            });
        }

        @Override
        public void heard(String text) {
            // All that has come until the window finds time is shown at once.
            if (waiting.offer(text) && isTaking.compareAndSet(false, true)) {
                ifStill(this::takeAll);
            }
        }

        @Override
        public void silent() {
            // A board that did not start anew when the port was opened is asked for its report.
            ifStill(() -> {
                line.send("r");
                tell(State.OPEN, Optional.of(Fact.of("line.silent").with("port", port.name())));
            });
        }

        @Override
        public void lost() {
            ifStill(() -> tell(State.AWAITED, Optional.of(Fact.of("line.lost").with("port", port.name()))));
        }

        @Override
        public void failed(LineFailure why) {
            ifStill(() -> {
                line = null;
                tell(State.CLOSED, Optional.of(why.why()));
            });
        }

        private void takeAll() {
            isTaking.set(false);
            StringBuilder all = new StringBuilder(LineWork.this.heard.get());
            for (String text = waiting.poll(); text != null; text = waiting.poll()) {
                all.append(text).append("\n");
                letters += text.length();
                nonsense +=
                        (int) text.chars().filter(letter -> letter == 0xFFFD).count();
                take(text);
            }
            int over = all.length() - MOST;
            LineWork.this.heard.set(over <= 0 ? all.toString() : all.substring(all.indexOf("\n", over) + 1));
            boolean isNonsense = letters >= ENOUGH && nonsense * SENSE > letters;
            tell(
                    State.OPEN,
                    isNonsense
                            ? Optional.of(Fact.of("line.nonsense")
                                    .with("port", port.name())
                                    .with("baud", baud))
                            : otherPlan);
        }

        private void take(String text) {
            session.tune().hear(text);
            String[] words = text.strip().split("\\s+");
            if (words[0].equals(PLAN) && words.length > 1) {
                String here = session.build().map(PlanHash::of).orElse("");
                otherPlan = words[1].equals(here)
                        ? Optional.empty()
                        : Optional.of(Fact.of("line.other_plan")
                                .with("port", port.name())
                                .with("found", words[1])
                                .with("here", here));
            }
            if (words[0].equals(BoardReport.HEAD)) {
                report.setLength(0);
                if (words.length > 2) {
                    known.set(known.get().with(port, words[2]));
                }
            } else if (report.length() == 0) {
                return;
            }
            report.append(text).append("\n");
            if (words[0].equals("end") || report.length() > ReportWork.MOST) {
                session.reports().read(report.toString());
                report.setLength(0);
            }
        }
    }
}
