package dev.deftchisel.problem;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceRoot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** One file while the rules are led over it: what they can ask, and where they report. */
public final class RuleContext {

    private static final Pattern GENERATED = Pattern.compile("generated", Pattern.CASE_INSENSITIVE);
    private static final Pattern UNTOUCHED = Pattern.compile("\\b(do not|don't) (edit|modify|change)",
            Pattern.CASE_INSENSITIVE);

    private final AttributedFile code;
    private final int level;
    private final boolean hasErrors;
    private final Map<String, String> settings;
    private final List<Finding> findings = new ArrayList<>();
    private NameIndex names;
    private RuleDescription at;
    private Severity severity;

    public RuleContext(AttributedFile code, boolean hasErrors, Map<String, String> settings) {
        this.settings = Map.copyOf(settings);
        this.code = code;
        this.hasErrors = hasErrors;
        this.level = code.file().module().level();
    }

    /** The file. */
    public AttributedFile code() {
        return code;
    }

    /**
     * Whether it is test code, which does on purpose what elsewhere is a mistake: comparing a thing with itself, or
     * with null.
     */
    public boolean isTest() {
        return code.file().root().use() == SourceRoot.Use.TEST;
    }

    /**
     * Whether a program wrote it, as its folder tells or the comment at its head: then it is mended where it comes
     * from.
     */
    public boolean isGenerated() {
        if (code.file().root().isMade()) {
            return true;
        }
        int first = code.tokens().code(0);
        String head = first >= code.tokens().count() ? "" : code.file().content()
                .substring(0, code.tokens().start(first));
        return GENERATED.matcher(head).find() && UNTOUCHED.matcher(head).find();
    }

    /** The language level it is written in. */
    public int level() {
        return level;
    }

    /** Whether the compiler finds errors in the file, so that parts of it may be missing from the tree. */
    public boolean hasErrors() {
        return hasErrors;
    }

    /**
     * What {@code .editorconfig} says of the file.
     *
     * @param name of the property, in lower case, beginning with {@code deft_}
     */
    public Optional<String> setting(String name) {
        return Optional.ofNullable(settings.get(name));
    }

    /** What the names in the file mean. */
    public NameIndex names() {
        if (names == null) {
            names = new NameIndex(code);
        }
        return names;
    }

    /** Something is wrong with a tree. */
    public void report(Tree tree, String sentence, Fix... fixes) {
        code.find(tree).ifPresent(range -> report(range, sentence, fixes));
    }

    /**
     * Something is wrong with a stretch of code.
     *
     * @param range    of it
     * @param sentence what is wrong, with the names concerned
     * @param fixes    what would mend it, best first
     */
    public void report(Range range, String sentence, Fix... fixes) {
        findings.add(new Finding(at, severity, range, sentence, List.of(fixes)));
    }

    public void look(Rule rule, RuleDescription about, Severity own, TreePath path) {
        at = about;
        severity = own;
        rule.look(path, this);
    }

    public List<Finding> findings() {
        return findings;
    }
}
