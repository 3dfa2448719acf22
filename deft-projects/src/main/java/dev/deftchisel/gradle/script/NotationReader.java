package dev.deftchisel.gradle.script;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Reads what stands after the name of a configuration in a block of dependencies: what the project needs. */
public final class NotationReader {

    private static final Pattern PROJECT_ACCESSOR = Pattern.compile("projects\\.[\\w.]+");
    /** Parts of the build tool and of languages other than Java: nothing that Java code needs to be understood. */
    private static final Set<String> NOT_OURS = Set.of("gradleApi", "localGroovy", "gradleTestKit", "gradleKotlinDsl",
            "kotlin", "npm");

    private final Path folder;
    private final Variables variables;
    private final UnaryOperator<String> projectOf;

    /**
     * @param folder    of the project
     * @param projectOf the path of the project that an accessor such as {@code projects.harbour.berths} stands for
     */
    public NotationReader(Path folder, Variables variables, UnaryOperator<String> projectOf) {
        this.folder = folder;
        this.variables = variables;
        this.projectOf = projectOf;
    }

    /**
     * What a statement within a block of dependencies asks for.
     *
     * @return empty when it is computed in a way that is not understood
     */
    Optional<List<DependencyNotation>> read(String configuration, Statement statement) {
        List<String> exclusions = exclusions(statement.block());
        if (statement.named("group").isPresent() || statement.named("name").isPresent()) {
            return named(configuration, statement.arguments(), exclusions);
        }
        List<Value> values = statement.arguments().stream().filter(argument -> argument.name().isEmpty())
                .map(Value.Argument::value).toList();
        if (values.size() > 1 && values.stream().allMatch(Value.Text.class::isInstance)
                && !((Value.Text) values.get(0)).text().contains(":")) {
            return together(values).flatMap(text -> DependencyNotation.published(configuration, text, false,
                    exclusions))
                    .map(List::of);
        }
        List<DependencyNotation> all = new ArrayList<>();
        for (Value value : values) {
            Optional<List<DependencyNotation>> needs = value(configuration, value, false, exclusions);
            if (needs.isEmpty()) {
                return Optional.empty();
            }
            all.addAll(needs.get());
        }
        return Optional.of(versioned(all, statement.block()));
    }

    /** {@code implementation("harbour", "berths", "1")}. */
    private Optional<String> together(List<Value> values) {
        List<String> parts = values.stream().map(variables::text).flatMap(Optional::stream).toList();
        return parts.size() == values.size() ? Optional.of(String.join(":", parts)) : Optional.empty();
    }

    private Optional<List<DependencyNotation>> named(String configuration, List<Value.Argument> arguments,
            List<String> exclusions) {
        Optional<String> group = text(arguments, "group");
        Optional<String> name = text(arguments, "name");
        if (group.isEmpty() || name.isEmpty()) {
            return Optional.empty();
        }
        DependencyNotation.Module module = new DependencyNotation.Module(group.get(), name.get(),
                text(arguments, "classifier").orElse(""),
                text(arguments, "ext").orElse("jar"));
        return Optional.of(List.of(new DependencyNotation.Published(configuration, module, text(arguments, "version"),
                false,
                exclusions)));
    }

    private Optional<String> text(List<Value.Argument> arguments, String name) {
        return arguments.stream().filter(argument -> argument.name().equals(name)).findFirst()
                .flatMap(argument -> variables.text(argument.value()));
    }

    private Optional<List<DependencyNotation>> value(String configuration, Value value, boolean isPlatform,
            List<String> exclusions) {
        if (value instanceof Value.Many many) {
            List<DependencyNotation> all = new ArrayList<>();
            for (Value one : many.values()) {
                Optional<List<DependencyNotation>> needs = value(configuration, one, isPlatform, exclusions);
                if (needs.isEmpty()) {
                    return needs;
                }
                all.addAll(needs.get());
            }
            return Optional.of(all);
        } else if (value instanceof Value.Call call) {
            Optional<List<DependencyNotation>> called = call(configuration, call, isPlatform, exclusions);
            if (called.isPresent()) {
                return called;
            }
        }
        Optional<String> reference;
        if (value instanceof Value.Reference name) {
            reference = Optional.of(name.name());
        } else if (value instanceof Value.Call call && call.arguments().isEmpty()) {
            reference = Optional.of(call.name().replaceAll("\\.get$", ""));
        } else {
            reference = Optional.empty();
        }
        if (reference.filter(name -> PROJECT_ACCESSOR.matcher(name).matches()).isPresent()) {
            return Optional.of(List.of(new DependencyNotation.Project(configuration,
                    projectOf.apply(reference.get()))));
        }
        List<String> catalogued = reference.stream().flatMap(name -> variables.catalogs().stream()
                .flatMap(catalog -> catalog.coordinates(name).stream())).toList();
        List<String> notations = catalogued.isEmpty() ? variables.text(value).stream().toList() : catalogued;
        List<DependencyNotation> needs = notations.stream()
                .flatMap(notation -> DependencyNotation.published(configuration, notation, isPlatform, exclusions)
                        .stream())
                .map(DependencyNotation.class::cast).toList();
        return needs.isEmpty() ? Optional.empty() : Optional.of(needs);
    }

    private Optional<List<DependencyNotation>> call(String configuration, Value.Call call, boolean isPlatform,
            List<String> exclusions) {
        String function = call.name().substring(call.name().lastIndexOf('.') + 1);
        Optional<Value> first = call.arguments().stream()
                .filter(argument -> argument.name().isEmpty() || argument.name().equals("path"))
                .map(Value.Argument::value).findFirst();
        if (call.name().isEmpty()) {
            return named(configuration, call.arguments(), exclusions);
        } else if (NOT_OURS.contains(function)) {
            return Optional.of(List.of());
        }
        return switch (function) {
            case "platform", "enforcedPlatform" -> first
                    .flatMap(inner -> value(configuration, inner, true, exclusions));
            case "testFixtures", "variantOf", "create", "dependencies.create" ->
                    first.flatMap(inner -> value(configuration, inner, isPlatform, exclusions(call.block())));
            case "project" -> first.flatMap(variables::text)
                    .map(path -> List.of(new DependencyNotation.Project(configuration, path.startsWith(":") ? path
                            : ":" + path)));
            case "files" -> {
                List<Path> files = call.arguments().stream()
                        .flatMap(argument -> variables.text(argument.value()).stream())
                        .map(folder::resolve).map(Path::normalize).toList();
                yield files.size() < call.arguments().size() ? Optional.empty()
                        : Optional.of(List.of(new DependencyNotation.Files(configuration, files)));
            }
            case "fileTree" -> tree(call).map(files -> List.of(new DependencyNotation.Files(configuration, files)));
            default -> Optional.empty();
        };
    }

    /** All archives below the folder that is named, whatever pattern picks among them. */
    private Optional<List<Path>> tree(Value.Call call) {
        Optional<Path> top = call.arguments().stream()
                .filter(argument -> argument.name().isEmpty() || argument.name().equals("dir"))
                .findFirst().flatMap(argument -> variables.text(argument.value())).map(folder::resolve);
        if (top.isEmpty() || !Files.isDirectory(top.get())) {
            return top.map(absent -> List.of());
        }
        try (Stream<Path> files = Files.walk(top.get())) {
            return Optional.of(files.filter(file -> file.toString().endsWith(".jar")).sorted().toList());
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }

    /** A version that is said in the block of a dependency. */
    private List<DependencyNotation> versioned(List<DependencyNotation> needs, List<Statement> block) {
        Optional<String> version = block.stream().filter(statement -> statement.name().equals("version"))
                .flatMap(statement -> statement.block().stream())
                .flatMap(kind -> kind.first().stream()).flatMap(value -> variables.text(value).stream()).findFirst();
        return version.isEmpty() ? needs : needs.stream()
                .map(need -> need instanceof DependencyNotation.Published one
                        ? new DependencyNotation.Published(one.configuration(), one.coordinates(), version,
                                one.isPlatform(),
                                one.exclusions()) : need)
                .toList();
    }

    private List<String> exclusions(List<Statement> block) {
        return block.stream().filter(statement -> statement.name().equals("exclude"))
                .map(statement -> statement.named("group").flatMap(variables::text).orElse("*") + ":"
                        + statement.named("module").flatMap(variables::text).orElse("*"))
                .toList();
    }
}
