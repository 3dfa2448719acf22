package dev.deftchisel.rewrite;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;

/**
 * Members and types that are opened to code elsewhere (JLS 6.6). Whoever mentions their names may find them from then
 * on, so the analysis has to look at all files that do, and the guard asks for it.
 */
public final class Opening {

    private final Analysis before;
    private final Map<SymbolKey, AccessLevel> wanted = new LinkedHashMap<>();

    /** @param before of all files that mention what is opened */
    public Opening(Analysis before) {
        this.before = before;
    }

    /** What is opened so far. */
    public Set<SymbolKey> opened() {
        return Set.copyOf(wanted.keySet());
    }

    /**
     * Opens something as far as is needed.
     *
     * @return why that is not possible, to be put after its name; empty when it is
     */
    public Optional<String> open(SymbolKey key, AccessLevel needed) {
        Optional<TreePath> path = declared(key);
        Optional<AttributedFile> code = code(key);
        if (path.isEmpty() || code.isEmpty()) {
            return Optional.of("is not declared in the workspace");
        }
        Optional<String> objection = objection(code.get(), path.get());
        if (objection.isEmpty()) {
            wanted.merge(key, needed, (one, other) -> one.compareTo(other) < 0 ? other : one);
        }
        return objection;
    }

    private static Optional<String> objection(AttributedFile code, TreePath path) {
        Element element = code.element(path).orElseThrow();
        Element owner = element.getEnclosingElement();
        boolean isOfInterface = owner instanceof TypeElement type && type.getKind().isInterface();
        boolean isConstructor = element.getKind() == ElementKind.CONSTRUCTOR;
        boolean isComponent = owner.getKind() == ElementKind.RECORD && element.getKind().isField()
                && !element.getModifiers().contains(Modifier.STATIC);
        if (isOfInterface || isComponent || isConstructor && owner.getKind() == ElementKind.ENUM) {
            return Optional.of("cannot be opened");
        } else if (isConstructor && hasRival((ExecutableElement) element)) {
            return Optional.of("has another beside it, which calls could then confuse it with");
        }
        boolean isAlone = !(path.getLeaf() instanceof VariableTree tree) || ((ClassTree) path.getParentPath().getLeaf())
                .getMembers()
                .stream()
                .filter(member -> member instanceof VariableTree other && code.find(other).filter(range ->
                        range.start() == code.range(tree).start()).isPresent()).count() == 1;
        return isAlone ? Optional.empty() : Optional.of("is declared together with others");
    }

    /**
     * Whether a call could mean another constructor today and this one afterwards; not all calls say the name of the
     * class.
     */
    private static boolean hasRival(ExecutableElement constructor) {
        return ElementFilter.constructorsIn(constructor.getEnclosingElement().getEnclosedElements()).stream()
                .anyMatch(other -> other != constructor && (other.isVarArgs() || constructor.isVarArgs()
                        || other.getParameters().size() == constructor.getParameters().size()));
    }

    /** Adds what the declarations say then. */
    public void write(EditsByFile edits) {
        wanted.forEach((key, level) -> {
            AttributedFile code = code(key).orElseThrow();
            edits.of(code.file().path()).add(edit(code, declared(key).orElseThrow(), level));
        });
    }

    /** What the user should know, one line each. */
    public List<String> notes() {
        List<String> notes = new ArrayList<>();
        wanted.forEach((key, level) -> notes.add(note(key) + level.words()));
        return notes;
    }

    private String note(SymbolKey key) {
        return "the " + before.symbol(key).map(Symbol::describe).orElse("declaration") + " is opened to ";
    }

    /**
     * What a change that opens something is proved with: the analysis it was planned with, and all that may find what
     * is opened.
     */
    public static Analysis widened(Analyst analyst, Analysis before, Change change) {
        Set<String> names = change.meaning().opened().stream()
                .flatMap(key -> before.symbol(key).map(Symbol::name).stream())
                .collect(Collectors.toSet());
        return names.isEmpty() ? before : analyst.analyse(before.focus()
                .andFiles(analyst.snapshot().pathsMentioning(names)).andNames(names));
    }

    /** A change without what opens some declarations. */
    public Change without(Change change, Set<SymbolKey> closed) {
        Set<SymbolKey> opened = new HashSet<>(change.meaning().opened());
        opened.removeAll(closed);
        Change result = change;
        for (SymbolKey key : closed) {
            AttributedFile code = code(key).orElseThrow();
            Range modifier = edit(code, declared(key).orElseThrow(), AccessLevel.PUBLIC).range();
            result = new Change(result.title(), result.files().stream()
                    .map(file -> file.path().equals(code.file().path()) ? file.withEdits(file.edits().stream()
                            .filter(edit -> edit.kind() != Edit.Kind.ACCESS || !edit.range().equals(modifier)).toList())
                            : file)
                    .toList(), result.meaning().opening(opened), result.notes().stream()
                    .filter(note -> !note.startsWith(note(key))).toList());
        }
        return result;
    }

    private static Edit edit(AttributedFile code, TreePath path, AccessLevel level) {
        Tokens tokens = code.tokens();
        List<Integer> bare = bareTokens(code, path);
        for (int token : bare) {
            if (tokens.text(token).equals("private") || tokens.text(token).equals("protected")) {
                int next = tokens.kind(token + 1) == TokenKind.WHITE_SPACE ? token + 2 : token + 1;
                return Edit.of(new Range(tokens.start(token), tokens.start(next)), level.prefix(), Edit.Kind.ACCESS);
            }
        }
        int start = tokens.start(bare.get(0));
        return Edit.of(new Range(start, start), level.prefix(), Edit.Kind.ACCESS);
    }

    /** What stands before the name of a declaration, but for annotations; the modifiers are among the first of it. */
    private static List<Integer> bareTokens(AttributedFile code, TreePath path) {
        Tree tree = path.getLeaf();
        ModifiersTree modifiers;
        if (tree instanceof MethodTree method) {
            modifiers = method.getModifiers();
        } else if (tree instanceof VariableTree variable) {
            modifiers = variable.getModifiers();
        } else {
            modifiers = ((ClassTree) tree).getModifiers();
        }
        List<Range> annotations = modifiers.getAnnotations().stream().map(code::range).toList();
        Tokens tokens = code.tokens();
        List<Integer> bare = new ArrayList<>();
        int end = code.range(tree).end();
        for (int i = tokens.code(tokens.at(code.range(tree).start())); i < tokens.count()
                && tokens.start(i) < end; i = tokens.code(i + 1)) {
            Range token = tokens.range(i);
            boolean isBare = annotations.stream().noneMatch(annotation -> annotation.encloses(token));
            if (isBare && "(={;".contains(tokens.text(i))) {
                break;
            } else if (isBare) {
                bare.add(i);
            }
        }
        return bare;
    }

    private Optional<AttributedFile> code(SymbolKey key) {
        return before.declaration(key).map(Binding::file).flatMap(before::code);
    }

    private Optional<TreePath> declared(SymbolKey key) {
        return code(key).flatMap(code -> code.declaration(before.declaration(key).orElseThrow().range())
                .filter(path -> code.element(path).map(code::key).filter(key::equals).isPresent()));
    }
}
