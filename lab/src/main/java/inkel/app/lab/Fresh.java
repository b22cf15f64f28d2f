package inkel.app.lab;

import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.List;

/** How to start a further process with the flags, the archive and the classes of this one. */
final class Fresh {
    private Fresh() {}

    static List<String> java() {
        List<String> command = new ArrayList<>();
        command.add(ProcessHandle.current().info().command().orElse("java"));
        command.addAll(ManagementFactory.getRuntimeMXBean().getInputArguments());
        command.add("-cp");
        command.add(System.getProperty("java.class.path"));
        return command;
    }
}
