package dev.deftchisel.problem.store;

import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.net.URI;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystemNotFoundException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.CodeSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What findings depend on besides the code: the compiler, the rules, the libraries, and what is said of packages and
 * modules.
 */
final class CacheKey {

    private CacheKey() {
    }

    /** One word for all of them, another one as soon as something is different. */
    static String of(Snapshot snapshot, Rules rules) {
        List<String> all = new ArrayList<>(List.of(Runtime.version().toString()));
        Stream.concat(Stream.of(Rules.class), rules.all().stream().map(Rule::getClass))
                .map(type -> Optional.ofNullable(type.getProtectionDomain().getCodeSource())
                        .map(CodeSource::getLocation))
                .flatMap(Optional::stream).map(URL::toString).distinct().map(CacheKey::stamp).forEach(all::add);
        rules.abouts().forEach(about -> all.add(about.id()));
        snapshot.workspace().modules().forEach(module -> {
            all.add(module.name() + module.java() + module.upstream());
            module.classPath().forEach(path -> all.add(stamp(path)));
        });
        snapshot.files().stream().filter(file -> file.isModuleInfo() || file.isPackageInfo()).map(SourceFile::content)
                .forEach(all::add);
        return SourceText.hash(String.join("\n", all).getBytes(StandardCharsets.UTF_8));
    }

    /** Where classes were loaded from, and when that was written; only where, when it is no file. */
    private static String stamp(String location) {
        try {
            return stamp(Path.of(URI.create(location)));
        } catch (IllegalArgumentException | FileSystemNotFoundException elsewhere) {
            return location;
        }
    }

    /** An archive by its size and time, a folder by those of all that is in it. */
    private static String stamp(Path path) {
        try (Stream<Path> files = Files.walk(path)) {
            StringBuilder stamp = new StringBuilder();
            for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
                stamp.append(file).append(Files.size(file)).append(Files.getLastModifiedTime(file).toMillis())
                        .append('\n');
            }
            return stamp.toString();
        } catch (NoSuchFileException missing) {
            return path + " is not there";
        } catch (IOException unreadable) {
            // rather looked at again once too often
            return path + " cannot be read at " + System.nanoTime();
        }
    }
}
