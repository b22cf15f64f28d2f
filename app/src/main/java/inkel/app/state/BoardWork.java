package inkel.app.state;

import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.SetMoment;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Builds that are begun, boards that come and go, and the moments of a board. */
public final class BoardWork {
    private final Session session;

    BoardWork(Session session) {
        this.session = session;
    }

    /** Begins a new build with one board; it has no file until it is saved. */
    public void begin(Node first) {
        session.files().openNew(new Build(first.name(), List.of(first), Logbook.EMPTY, Extras.NONE));
    }

    /** Adds a board to the open build and shows it. */
    public void add(Node added) {
        if (session.apply(new AddNode(added))) {
            show(added.id());
        }
    }

    /** Copies a board with all its parts and wires, nothing of it plugged. */
    public void copy(String id) {
        session.build().ifPresent(build -> build.node(id).ifPresent(old -> {
            String name = Words.get("node.copy_of", "name", old.name());
            String newId = build.freeNodeId(name);
            if (session.apply(new CopyNode(id, newId, name))) {
                show(newId);
            }
        }));
    }

    /** Takes a board and its parts away; another one is shown. */
    public void remove(String id) {
        session.apply(new RemoveNode(id));
    }

    private void show(String id) {
        session.selection().wantNode(id, session.assessmentProperty().get());
    }

    /** Adds a moment without parts to the shown board, to be filled in; answers its id. */
    public Optional<String> addMoment() {
        Optional<Node> now =
                session.build().flatMap(open -> open.node(session.nodeProperty().get()));
        if (now.isEmpty()) {
            return Optional.empty();
        }
        String id = freeMomentId(now.get());
        String name = Words.get("moments.new", "number", now.get().moments().size() + 1);
        Moment moment = new Moment(
                id, name, List.of(), TimeSpan.ofSeconds(1), Optional.empty(), Optional.empty(), Set.of(), Extras.NONE);
        return session.apply(new SetMoment(now.get().id(), moment)) ? Optional.of(id) : Optional.empty();
    }

    private static String freeMomentId(Node of) {
        int number = of.moments().size() + 1;
        while (of.moment("moment-" + number).isPresent()) {
            number++;
        }
        return "moment-" + number;
    }
}
