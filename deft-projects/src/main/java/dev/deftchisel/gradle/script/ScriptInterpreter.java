package dev.deftchisel.gradle.script;

import dev.deftchisel.jdk.Jdk;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;

/**
 * Reads off the statements of scripts what they say of one project. Names of blocks and what is in them are looked at
 * together, with dots, so that {@code java { toolchain { ... } }} and {@code java.toolchain.languageVersion = ...} are
 * the same.
 */
public final class ScriptInterpreter {

    private static final Pattern CLOSURE_PARAMETER = Pattern.compile("^(?:it|task|project)\\.");
    private static final Pattern SOURCE_SET_FOLDERS =
            Pattern.compile("sourceSets\\.(\\w+)\\.(java|resources)\\.(srcDirs?|setSrcDirs)");
    private static final Pattern MADE = Pattern
            .compile("(?:sourceSets\\.)?(?:create|register|creating|registering|getting|existing)");
    /** The level of whatever Java the build runs with. */
    private static final Pattern CURRENT = Pattern.compile("JavaVersion\\.current|Jvm\\.current");
    private static final Set<String> PICKING = Set.of("named", "getByName", "create", "register", "maybeCreate", "add");
    private static final Set<String> MAKING = Set.of("create", "register", "maybeCreate");
    private static final Set<String> KNOWN_PLUGINS = Set.of("java", "java-library", "application", "groovy", "war",
            "scala");

    private final GradleProject project;
    private final Variables variables;
    private final NotationReader notations;
    /** Takes the name of another script with its line; the name of a plug-in with its line. */
    private final ScriptHost host;

    /**
     * @param host asked for what is beyond the script
     */
    public ScriptInterpreter(GradleProject project, Variables variables, NotationReader notations, ScriptHost host) {
        this.project = project;
        this.variables = variables;
        this.notations = notations;
        this.host = host;
    }

    public void run(List<Statement> statements) {
        run("", statements);
    }

    private void run(String context, List<Statement> statements) {
        for (Statement statement : statements) {
            String name = CLOSURE_PARAMETER.matcher(statement.name()).replaceFirst("");
            String full = context.isEmpty() ? name : context + "." + name;
            switch (statement.kind()) {
                case UNREAD -> unread(context, statement);
                case ASSIGN, ADD -> assign(context, full, statement);
                case CALL -> call(context, full, statement);
            }
        }
    }

    private void unread(String context, Statement statement) {
        if (context.endsWith("dependencies") && !statement.block().isEmpty() || matters(statement)) {
            host.report(statement.line(), "what is needed after this '" + statement.name()
                    + "' is computed, and not known");
        }
    }

    /** Whether a statement says something of dependencies or of source sets. */
    private static boolean matters(Statement statement) {
        return statement.anywhere(inside -> inside.name().matches("(?:.*\\.)?(?:dependencies|sourceSets)(?:\\..*)?"));
    }

    private void assign(String context, String full, Statement statement) {
        Value value = statement.first().orElseThrow();
        if (value instanceof Value.Call call && MADE.matcher(call.name()).matches()) {
            project.sourceSet(statement.name());
            run("sourceSets." + statement.name(), call.block());
            return;
        } else if (value instanceof Value.Reference reference && MADE.matcher(reference.name()).matches()) {
            project.sourceSet(statement.name());
            return;
        }
        if (!setting(full, List.of(value), statement.line()) && (context.isEmpty() || context.equals("ext"))) {
            boolean isDelegated = value instanceof Value.Reference reference && reference.name().equals("project");
            if (!isDelegated) {
                variables.set(statement.name(), value);
            }
        }
    }

    private void call(String context, String full, Statement statement) {
        if (context.endsWith("dependencies") || context.endsWith("dependencies.constraints")) {
            dependency(context, statement);
        } else if (context.endsWith("plugins")) {
            plugin(statement);
        } else if (statement.name().equals("apply")) {
            statement.named("plugin").flatMap(variables::text).ifPresentOrElse(id -> plugin(id, "", statement.line()),
                    () -> statement.named("plugin")
                    .ifPresent(computed -> host.report(statement.line(), "what this plug-in does is not known")));
            statement.named("from").flatMap(variables::text)
                    .ifPresent(file -> host.applyScript(file, statement.line()));
        } else if (full.startsWith("configurations.")) {
            configuration(full, statement);
        } else if (full.startsWith("dependencyManagement") && statement.block().isEmpty()) {
            managed(statement);
        } else if (full.endsWith("useJUnitJupiter")) {
            String version = statement.first().flatMap(variables::text).map(text -> ":" + text).orElse("");
            DependencyNotation.published("testImplementation", "org.junit.jupiter:junit-jupiter" + version, false,
                    List.of())
                    .ifPresent(project.needs()::add);
        } else if (!setting(full, statement.arguments().stream().map(Value.Argument::value)
                .toList(), statement.line())) {
            inside(context, full, statement);
        }
    }

    /** The block of a statement, in which things have the names of where they are. */
    private void inside(String context, String full, Statement statement) {
        String last = full.substring(full.lastIndexOf('.') + 1);
        if (MAKING.contains(last) && full.startsWith("sourceSets.") && statement.first().flatMap(variables::text)
                .isEmpty()) {
            host.report(statement.line(), "the name of this source set is computed, and not known");
        }
        Optional<String> picked = PICKING.contains(last) ? statement.first().flatMap(variables::text)
                : Optional.empty();
        String name = picked.map(one -> full.substring(0, full.length() - last.length()) + one).orElse(full);
        if (context.equals("sourceSets") || name.startsWith("sourceSets.")
                && name.indexOf('.', "sourceSets.".length()) < 0) {
            project.sourceSet(name.substring(name.lastIndexOf('.') + 1));
        }
        boolean isOfOthers = Set.of("allprojects", "subprojects", "buildscript", "pluginManagement", "publishing")
                .contains(name)
                || name.equals("project") || name.equals("configure");
        if (!isOfOthers) {
            run(name, statement.block());
        }
    }

    private void plugin(Statement statement) {
        Optional<String> version = statement.named("version").flatMap(variables::text);
        if (statement.name().equals("id") || statement.name().equals("id.version")) {
            List<String> texts = statement.arguments().stream().filter(argument -> argument.name().isEmpty())
                    .flatMap(argument -> variables.text(argument.value()).stream()).toList();
            if (!texts.isEmpty()) {
                plugin(texts.get(0), texts.size() > 1 ? texts.get(1) : version.orElse(""), statement.line());
            }
        } else if (statement.name().equals("alias")) {
            Optional<String> reference = statement.first().filter(Value.Reference.class::isInstance)
                    .map(one -> ((Value.Reference) one).name());
            reference.stream().flatMap(name -> variables.catalogs().stream()
                    .flatMap(catalog -> catalog.plugin(name).stream())).findFirst()
                    .ifPresent(plugin -> plugin(plugin.substring(0, plugin.indexOf(':')),
                            plugin.substring(plugin.indexOf(':') + 1),
                            statement.line()));
        } else if (statement.arguments().isEmpty()) {
            plugin(statement.name(), "", statement.line());
        }
    }

    private void plugin(String id, String version, int line) {
        if (project.plugins().putIfAbsent(id, version) == null && !KNOWN_PLUGINS.contains(id)) {
            host.applyPlugin(id, line);
        }
    }

    private void dependency(String context, Statement statement) {
        if (statement.name().equals("constraints")) {
            run(context + ".constraints", statement.block());
            return;
        } else if (statement.name().equals("modules") || statement.name().equals("components")) {
            return;
        } else if (statement.name().indexOf('.') > 0 && !statement.block().isEmpty()) {
            unread(context, statement);
            return;
        }
        boolean isAdded = statement.name().equals("add");
        String configuration = isAdded ? statement.first().flatMap(variables::text).orElse("") : statement.name();
        Statement said = isAdded
                ? new Statement(statement.kind(), configuration, statement.arguments()
                        .subList(1, statement.arguments().size()),
                        statement.block(), statement.line())
                : statement;
        Optional<List<DependencyNotation>> needs = notations.read(configuration, said);
        if (needs.isEmpty()) {
            host.report(statement.line(), "what '" + configuration + "' needs here is computed, and not known");
        } else if (context.endsWith("constraints")) {
            needs.get().stream().filter(DependencyNotation.Published.class::isInstance)
                    .map(DependencyNotation.Published.class::cast)
                    .forEach(project.managed()::add);
        } else {
            project.needs().addAll(needs.get());
        }
    }

    /** {@code dependencyManagement { imports { mavenBom "..." } dependencies { dependency "..." } } }. */
    private void managed(Statement statement) {
        boolean isPlatform = statement.name().equals("mavenBom");
        if (isPlatform || statement.name().equals("dependency")) {
            Optional<DependencyNotation.Published> named = statement.first().flatMap(variables::text)
                    .flatMap(text -> DependencyNotation.published("implementation", text, isPlatform, List.of()));
            if (named.isEmpty()) {
                host.report(statement.line(), "this version is computed, and not known");
            } else if (isPlatform) {
                project.needs().add(named.get());
            } else {
                project.managed().add(named.get());
            }
        }
    }

    private void configuration(String full, Statement statement) {
        String[] parts = full.split("\\.");
        boolean isExtending = parts[parts.length - 1].equals("extendsFrom");
        if (isExtending && parts.length > 2) {
            for (Value.Argument argument : statement.arguments()) {
                String other = argument.value() instanceof Value.Reference reference
                        ? reference.name() : variables.text(argument.value()).orElse("");
                project.extend(parts[parts.length - 2], other.substring(other.lastIndexOf('.') + 1));
            }
        }
        resolution(statement);
        run(full, statement.block());
    }

    /** {@code resolutionStrategy { force 'a:b:1' } }, which goes before all that is asked for. */
    private void resolution(Statement statement) {
        for (Statement said : statement.block()) {
            if (said.name().endsWith("force")) {
                for (Value.Argument argument : said.arguments()) {
                    each(argument.value(), text -> DependencyNotation.published("", text, false, List.of())
                            .flatMap(DependencyNotation.Published::version)
                            .ifPresent(version -> project.forced().put(text.substring(0, text.lastIndexOf(':')),
                                    version)));
                }
            } else if (said.name().matches("(?:resolutionStrategy\\.)?(?:eachDependency|dependencySubstitution|"
                    + "componentSelection)")) {
                host.report(said.line(), "which versions are taken is decided here, and not known");
            } else if (said.name().equals("resolutionStrategy")) {
                resolution(said);
            }
        }
    }

    /** What is said of the Java that is compiled, and of the folders in which it is. */
    private boolean setting(String full, List<Value> values, int line) {
        var folders = SOURCE_SET_FOLDERS.matcher(full);
        if (folders.matches()) {
            GradleProject.SourceSet set = project.sourceSet(folders.group(1));
            Set<String> into = folders.group(2).equals("java") ? set.java() : set.resources();
            values.forEach(value -> {
                int before = into.size();
                each(value, into::add);
                if (into.size() == before) {
                    host.report(line, "which folders have code is computed here, and not known");
                }
            });
            return true;
        } else if (full.contains("Test") || values.isEmpty()) {
            return false;
        } else if (full.endsWith("options.compilerArgs") || full.endsWith("options.compilerArgs.add")
                || full.endsWith("options.compilerArgs.addAll")) {
            values.forEach(value -> each(value, project.options()::add));
            return true;
        } else if (full.endsWith("options.encoding")) {
            variables.text(values.get(0)).ifPresent(project::setEncoding);
            return true;
        }
        Optional<GradleProject.Level> kind;
        if (full.endsWith("options.release")) {
            kind = Optional.of(GradleProject.Level.RELEASE);
        } else if (full.endsWith("toolchain.languageVersion") || full.endsWith("jvmToolchain")) {
            kind = Optional.of(GradleProject.Level.TOOLCHAIN);
        } else if (full.endsWith("sourceCompatibility")) {
            kind = Optional.of(GradleProject.Level.SOURCE);
        } else {
            kind = Optional.empty();
        }
        kind.ifPresent(one -> variables.text(values.get(0)).flatMap(Jdk::featureIn)
                .ifPresentOrElse(level -> project.set(one, level), () -> {
            if (!CURRENT.matcher(values.get(0).toString()).find()) {
                host.report(line, "the Java level is computed here, and not known");
            }
        }));
        return kind.isPresent();
    }

    /** The texts in a value, also in a list or a call that makes one. */
    private void each(Value value, Consumer<String> take) {
        if (value instanceof Value.Many many) {
            many.values().forEach(one -> each(one, take));
        } else if (value instanceof Value.Call call && call.name()
                .matches("listOf|setOf|arrayOf|files|file|(project\\.)?file")) {
            call.arguments().forEach(argument -> each(argument.value(), take));
        } else {
            variables.text(value).ifPresent(take);
        }
    }
}
