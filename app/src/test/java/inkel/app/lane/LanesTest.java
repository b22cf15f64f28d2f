package inkel.app.lane;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

class LanesTest {
    @Test
    void finishingWaitsForAllThatIsOnItsWayToTheDisk() throws Exception {
        Lanes lanes = Lanes.threads(Runnable::run);
        List<String> done = Collections.synchronizedList(new ArrayList<>());
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch goOn = new CountDownLatch(1);
        lanes.files().execute(() -> {
            begun.countDown();
            await(goOn);
            done.add("first");
        });
        lanes.files().execute(() -> done.add("second"));
        lanes.keeping().execute(() -> done.add("kept"));
        begun.await();
        Thread helper = new Thread(goOn::countDown);
        helper.start();
        lanes.finish();
        helper.join();
        assertTrue(done.containsAll(List.of("first", "second", "kept")), done.toString());
        assertTrue(done.indexOf("first") < done.indexOf("second"));
    }

    @Test
    void whatComesLaterIsDoneAtOnce() {
        Lanes lanes = Lanes.threads(Runnable::run);
        lanes.finish();
        List<Thread> by = new ArrayList<>();
        lanes.keeping().execute(() -> by.add(Thread.currentThread()));
        assertEquals(List.of(Thread.currentThread()), by);
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
