package dev.deftchisel.guard;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.guard.comparison.OverridingComparison;
import dev.deftchisel.guard.moved.MovedNames;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.FileOutline;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Checks that each edit does what its kind says and nothing else: a name becomes the new name of the symbol that stands
 * there, a mention stays within its comment or string, an import is an import. Comparing names finds what a name means
 * afterwards; this finds code that is no name, such as arguments that change places.
 *
 * <p>A qualifier may name types and packages, and {@code this} or {@code super} of the one class whose member the bare
 * name was (JLS 15.12.1, 6.5.6.1): another object of the same class would be reached by the same names.
 */
final class EditKindCheck {

    /** The keywords that stand before the name of a local variable. */
    private static final Set<String> OF_DECLARATIONS = Set.of(
            "final", "boolean", "byte", "short", "char", "int", "long", "float", "double", "extends", "super");
    /** What the compiler and the comparison of types see in the header of a method. */
    private static final Set<String> OF_HEADERS = Set.of("void", "throws", "public", "protected", "private",
            "...");
    /** Where control goes is seen by the compiler, which misses a result, or finds code that is not reached. */
    private static final Set<String> OF_JUMPS = Set.of("return", "break", "continue");
    /** {@code if (isDone()) { ... }}, {@code if (found != null) { ... }}. */
    private static final Set<String> OF_QUESTIONS = Set.of("if", "{", "}", "null", "!=");
    private static final Pattern ACCESS_MODIFIER = Pattern.compile("((private|protected|public)\\s+)?");
    private static final String FAULT = "; that is a fault of deft";

    private final Analysis before;
    private final Analysis after;
    private final Change change;
    private final Mapping mapping;
    /** Everything that the change writes again. */
    private final List<MovedCode> carried;
    private final ObjectWords objects;
    private final MovedNames moved;
    private final Map<Path, Named> named = new HashMap<>();

    /** The names written in a file, by their first and last offset: a file may have as many edits as names. */
    private record Named(Map<Integer, List<Binding>> byStart, Map<Integer, List<Binding>> byEnd) {

        static Named of(List<Binding> bindings) {
            List<Binding> written = bindings.stream().filter(Binding::isNamed).toList();
            return new Named(written.stream().collect(Collectors.groupingBy(binding -> binding.range().start())),
                    written.stream().collect(Collectors.groupingBy(binding -> binding.range().end())));
        }
    }

    EditKindCheck(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
        this.mapping = change.mapping();
        this.objects = new ObjectWords(before, change.meaning());
        this.moved = new MovedNames(before, after, change);
        this.carried = change.files().stream()
                .flatMap(file -> file.takenEdits().stream())
                .flatMap(edit -> edit.carried().stream())
                .toList();
    }

    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (FileChange file : change.effective()) {
            Optional<SourceFile> source = before.snapshot().file(file.path());
            for (Edit edit : source.isPresent() ? file.takenEdits() : List.<Edit>of()) {
                if (!isRight(source.get(), edit)) {
                    differences.add(new Difference(Difference.Kind.UNPROVEN, file.path(), edit.range(),
                            Optional.empty(),
                            Optional.empty(), "this edit is not what a " + edit.kind().words() + " may be" + FAULT));
                }
            }
        }
        return differences;
    }

    private boolean isRight(SourceFile file, Edit edit) {
        return switch (edit.kind()) {
            case DECLARATION, REFERENCE, DOCUMENTATION -> isNewName(file, edit) || moved.isName(file, edit)
                    || edit.kind() == Edit.Kind.DECLARATION && moved.isPackage(file, edit);
            case QUALIFIER -> isQualifier(file, edit) || isElementName(edit);
            case IMPORT -> isImport(file, edit);
            case ACCESS -> opens(file, edit);
            case CODE -> edit.carried().stream().allMatch(piece -> isCarried(edit, piece))
                    && edit.alike().stream().allMatch(twin -> new EquivalentCode(before, file).areAlike(edit, twin))
                    && edit.unneeded().stream().allMatch(idle -> isPure(file, idle))
                    && (change.meaning().freedom() != SymbolEffects.Leeway.NONE || isWholeMember(file, edit)
                            || isRewritten(file, edit) || isDefault(file, edit)
                            || new DroppedComponent(before, change).isAssignment(file, edit)
                            || losesNothing(file, edit)
                            || moved.isLeftOver(file, edit, range -> losesNothing(file, Edit.of(range, "",
                                    Edit.Kind.CODE))));
            case COMMENT, STRING -> staysInText(file.tokens(), edit);
            case RESOURCE -> false;
        };
    }

    private boolean isCarried(Edit edit, MovedCode piece) {
        String written = edit.replacement().substring(piece.at(), piece.at() + piece.length());
        return piece.renamed().isPresent() ? isNewName(piece, written) : before.snapshot().file(piece.file())
                .filter(file -> file.content().startsWith(written, piece.from().start()))
                .isPresent();
    }

    /** Whether a name that is carried is written as what it becomes. */
    private boolean isNewName(MovedCode piece, String written) {
        return before.snapshot().file(piece.file()).stream()
                .flatMap(file -> named(file).byEnd().getOrDefault(piece.from().end(), List.of()).stream())
                .anyMatch(binding -> binding.range().equals(piece.from())
                        && newName(binding.key()).filter(written::equals).isPresent());
    }

    /** Whether evaluating an expression cannot be noticed, so that it may be left out. */
    private boolean isPure(SourceFile file, Range range) {
        return before.code(file.path()).stream()
                .flatMap(code -> code.around(range).stream()
                        .filter(path -> path.getLeaf() instanceof ExpressionTree && code.range(path.getLeaf())
                                .equals(range))
                        .map(code::effects))
                .anyMatch(Effects::isPure);
    }

    /**
     * Whether an edit takes away a whole field or method, with its documentation. Whoever names it is found by the
     * compiler, and what overrides it by {@link OverridingComparison}.
     */
    private boolean isWholeMember(SourceFile file, Edit edit) {
        return edit.replacement().isEmpty() && before.code(file.path()).stream()
                .flatMap(code -> code.members().stream())
                .anyMatch(member -> edit.range().encloses(member)
                        && isCodeless(file, edit.range().start(), member.start())
                        && isCodeless(file, member.end(), edit.range().end()));
    }

    /** Whether an edit writes a whole member anew, with its documentation, as the change says. */
    private boolean isRewritten(SourceFile file, Edit edit) {
        return change.meaning().rewritten().stream().flatMap(key -> before.declaration(key).stream())
                .filter(declared -> declared.file().equals(file.path()) && edit.range().encloses(declared.range()))
                .flatMap(declared -> declaration(file, declared.range()).stream())
                .anyMatch(member -> edit.range().encloses(member)
                        && isCodeless(file, edit.range().start(), member.start())
                        && edit.range().end() == member.end());
    }

    /** Whether an edit is of a default that the change says to become another, see {@link AnnotationComparison}. */
    private boolean isDefault(SourceFile file, Edit edit) {
        return change.meaning().rewritten().stream().flatMap(key -> before.declaration(key).stream())
                .filter(declared -> declared.file().equals(file.path()))
                .flatMap(declared -> before.code(file.path()).flatMap(code -> code.declaration(declared.range())
                        .filter(path -> path.getLeaf() instanceof MethodTree tree && tree.getDefaultValue() != null)
                        .map(path -> code.range(((MethodTree) path.getLeaf()).getDefaultValue()))).stream())
                .anyMatch(value -> edit.range().end() == value.end() && file.content().substring(edit.range().start(),
                        value.start()).strip().equals("default"));
    }

    private static boolean isCodeless(SourceFile file, int start, int end) {
        Tokens tokens = file.tokens();
        return tokens.code(tokens.at(start)) >= tokens.count() || start >= end
                || tokens.start(tokens.code(tokens.at(start))) >= end;
    }

    /**
     * Whether all that an edit takes away stands elsewhere afterwards, but for parentheses, a declaration and its type,
     * and names that give way to code which is carried there.
     */
    private boolean losesNothing(SourceFile file, Edit edit) {
        List<Range> kept = Stream.concat(
                carried.stream().filter(piece -> piece.file().equals(file.path())).map(MovedCode::from),
                Stream.concat(edit.alike().stream().map(DuplicateClaim::gone), edit.unneeded().stream())).toList();
        Tokens tokens = file.tokens();
        for (int i = tokens.code(tokens.at(edit.range().start())); edit.range().length() > 0 && i < tokens.count()
                && tokens.start(i) < edit.range().end(); i = tokens.code(i + 1)) {
            Range token = tokens.range(i);
            if (kept.stream().noneMatch(range -> range.encloses(token)) && !mayGo(file, edit, tokens, i)) {
                return false;
            }
        }
        return true;
    }

    private boolean mayGo(SourceFile file, Edit edit, Tokens tokens, int token) {
        return objects.mayGo(file, tokens, token) || moved.isOfPlace(file, tokens, token)
                || switch (tokens.kind(token)) {
            case IDENTIFIER -> tokens.text(token).equals("var") || before.bindings(file.path()).stream()
                    .filter(binding -> binding.isNamed() && binding.range().equals(tokens.range(token)))
                    .allMatch(binding -> binding.role() == Role.DECLARATION || binding.role() == Role.TYPE
                            || binding.key() instanceof SymbolKey.Package
                            // a new name that stands for it means what it should, see GivenNames
                            || binding.role() == Role.READ && (!edit.carried().isEmpty() || !edit.linked().isEmpty())
                            || binding.role() == Role.CALL && (!edit.carried().isEmpty() || isCarriedFrom(binding.key())
                                    || isOppositeOf(edit, binding.key())));
            case KEYWORD -> OF_DECLARATIONS.contains(tokens.text(token)) || isOfHeader(file, tokens, token)
                    || OF_JUMPS.contains(tokens.text(token)) || isOfReference(tokens, token)
                    || isOfQuestion(file, edit, tokens, token);
            case SYMBOL -> "()[]<>,.;=?@&:".contains(tokens.text(token)) || isOfOpposite(file, edit, tokens, token)
                    || isOfQuestion(file, edit, tokens, token)
                    || isOfReference(tokens, token) || isOfHeader(file, tokens, token);
            default -> false;
        };
    }

    /** Whether a token makes a reference of a name; what that becomes is compared with what it passed on. */
    private boolean isOfReference(Tokens tokens, int token) {
        // of objects that a method makes CreationComparison knows
        boolean isOfCreation = !change.meaning().factories().isEmpty() && tokens.is(token, "new");
        return isOfCreation || !change.meaning().signatures().isEmpty() && (tokens.is(token, "::")
                || tokens.is(token, "new") && tokens.is(tokens.codeBefore(token - 1), "::"));
    }

    /** Whether a token stands in the header of a method that is announced to get another signature. */
    private boolean isOfHeader(SourceFile file, Tokens tokens, int token) {
        return OF_HEADERS.contains(tokens.text(token)) && Stream.concat(change.meaning().signatures().keySet().stream(),
                change.meaning().factories().keySet().stream()).flatMap(key -> before.declaration(key).stream())
                .filter(declared -> declared.file().equals(file.path()))
                .flatMap(declared -> before.code(file.path()).stream()
                        .flatMap(code -> code.declaration(declared.range()).stream()
                                .filter(path -> path.getLeaf() instanceof MethodTree)
                                .map(path -> header(code, (MethodTree) path.getLeaf()))))
                .anyMatch(header -> header.encloses(tokens.range(token)));
    }

    private static Range header(AttributedFile code, MethodTree method) {
        Range whole = code.range(method);
        return method.getBody() == null ? whole : new Range(whole.start(), code.range(method.getBody()).start());
    }

    /**
     * Whether a token goes together with a call that asks whether to leave: the method's own statements are written
     * instead.
     */
    private boolean isOfQuestion(SourceFile file, Edit edit, Tokens tokens, int token) {
        boolean isPart = OF_QUESTIONS.contains(tokens.text(token));
        return isPart && before.bindings(file.path()).stream().anyMatch(binding -> binding.role() == Role.CALL
                        && edit.range().encloses(binding.range()) && isCarriedFrom(binding.key()));
    }

    /**
     * Whether a {@code !} goes together with the call after it: the opposite of what the method returns is written.
     */
    private boolean isOfOpposite(SourceFile file, Edit edit, Tokens tokens, int token) {
        return tokens.is(token, '!') && tokens.start(token) == edit.range().start()
                && before.bindings(file.path()).stream()
                .anyMatch(binding -> binding.role() == Role.CALL && edit.range().encloses(binding.range()));
    }

    /** Whether what is written is the opposite of the one thing that a method always returns. */
    private boolean isOppositeOf(Edit edit, SymbolKey method) {
        Optional<Binding> declared = before.declaration(method);
        return declared.flatMap(binding -> before.code(binding.file())).stream()
                .flatMap(code -> code.around(declared.get().range()).stream())
                .anyMatch(path -> path.getLeaf() instanceof MethodTree tree && tree.getBody() != null
                        && tree.getBody().getStatements().size() == 1
                        && tree.getBody().getStatements().get(0) instanceof ReturnTree result
                        && result.getExpression() instanceof LiteralTree literal
                        && literal.getValue() instanceof Boolean value
                        && edit.replacement().equals(String.valueOf(!value)));
    }

    /** Whether something of what a method does is written elsewhere. */
    private boolean isCarriedFrom(SymbolKey method) {
        Optional<Binding> declared = before.declaration(method);
        List<Range> members = declared.flatMap(binding -> before.code(binding.file())).stream()
                .flatMap(code -> code.members().stream())
                .filter(member -> member.encloses(declared.get().range()))
                .toList();
        return carried.stream()
                .anyMatch(piece -> piece.file().equals(declared.map(Binding::file).orElse(null))
                        && members.stream().anyMatch(member -> member.encloses(piece.from())));
    }

    private Named named(SourceFile file) {
        return named.computeIfAbsent(file.path(), path -> Named.of(before.bindings(path)));
    }

    private boolean isNewName(SourceFile file, Edit edit) {
        return named(file).byEnd().getOrDefault(edit.range().end(), List.of()).stream()
                .filter(binding -> edit.range().encloses(binding.range()))
                .anyMatch(binding -> newName(binding.key())
                        .filter(name -> edit.replacement().equals(name)
                                || edit.range().equals(binding.range()) && edit.replacement().endsWith("." + name)
                                && isRightQualifier(file, binding, edit,
                                        edit.replacement().substring(0, edit.replacement().length() - name.length())))
                        .isPresent());
    }

    private Optional<String> newName(SymbolKey key) {
        return key instanceof SymbolKey.Package home
                ? Optional.ofNullable(change.meaning().packages().get(home.name()))
                : Optional.ofNullable(change.meaning().names().get(key));
    }

    private boolean isQualifier(SourceFile file, Edit edit) {
        return edit.range().length() == 0 && named(file).byStart().getOrDefault(edit.range().start(), List.of())
                .stream()
                .anyMatch(binding -> isRightQualifier(file, binding, edit, edit.replacement()));
    }

    /** The name of an annotation's element where it was left out before, since it was {@code value} (JLS 9.7.3). */
    private boolean isElementName(Edit edit) {
        return edit.range().length() == 0 && change.meaning().names().entrySet().stream()
                .anyMatch(entry -> entry.getKey() instanceof SymbolKey.Method method && method.name().equals("value")
                        && edit.replacement().equals(entry.getValue() + " = "));
    }

    private boolean isRightQualifier(SourceFile file, Binding binding, Edit edit, String qualifier) {
        Tokens tokens = Tokens.of(qualifier);
        int last = tokens.count() - 1;
        if (last < 1 || !tokens.is(last, '.')) {
            return false;
        }
        String object = tokens.text(last - 1);
        boolean isObject = object.equals("this") || object.equals("super");
        if (isObject) {
            return reachesSameObject(file, binding, last == 1 ? ""
                    : qualifier.substring(0, qualifier.length() - object.length() - 2));
        }
        return namesOnlyTypes(file, edit, qualifier);
    }

    /** Whether what is inserted means types and packages, so that no value is computed on the way. */
    private boolean namesOnlyTypes(SourceFile file, Edit edit, String qualifier) {
        int start = mapping.code(file.path(), edit.range()).start();
        Range inserted = new Range(start, start + qualifier.length() - 1);
        List<Binding> names = after.bindings(mapping.file(file.path())).stream()
                .filter(binding -> binding.isNamed() && inserted.encloses(binding.range()))
                .toList();
        return names.stream().anyMatch(binding -> binding.range().end() == inserted.end())
                && names.stream().map(Binding::key).allMatch(key -> key instanceof SymbolKey.Type
                        || key instanceof SymbolKey.LocalType || key instanceof SymbolKey.Package);
    }

    /** Whether {@code this} or {@code Outer.this} is the object whose member the bare name was. */
    private boolean reachesSameObject(SourceFile file, Binding binding, String outer) {
        Optional<SymbolKey> owner = before.symbol(binding.key()).flatMap(Symbol::owner);
        List<Analysis.Enclosing> around = before.enclosing(file.path(), binding.range().start());
        for (int depth = 0; depth < around.size() && owner.isPresent(); depth++) {
            Analysis.Enclosing enclosing = around.get(depth);
            if (before.isSubtype(enclosing.element(), owner.get())) {
                String name = change.meaning().names().getOrDefault(enclosing.key(), enclosing.name());
                return !enclosing.isStatic() && (outer.isEmpty() ? depth == 0 : outer.equals(name)
                        && isOnly(around, name));
            }
        }
        return false;
    }

    /** A class nested in one of the same name is not allowed (JLS 8.1), but renaming may have made it so. */
    private boolean isOnly(List<Analysis.Enclosing> around, String name) {
        return around.stream()
                .filter(one -> change.meaning().names().getOrDefault(one.key(), one.name()).equals(name))
                .count() == 1;
    }

    /**
     * Whether all that happens is that a declaration which the change opens gets a modifier that opens it. Of others in
     * the way, such as subclasses, {@link OverridingComparison} and the comparison of names know.
     */
    private boolean opens(SourceFile file, Edit edit) {
        String gone = file.content().substring(edit.range().start(), edit.range().end());
        return ACCESS_MODIFIER.matcher(gone).matches() && ACCESS_MODIFIER.matcher(edit.replacement()).matches()
                && change.meaning().opened().stream().anyMatch(key -> before.declaration(key)
                        .filter(declared -> declared.file().equals(file.path()) && isWider(key)
                                && isHeadOf(file, edit.range(), declared.range())).isPresent());
    }

    /** Whether a stretch stands in a declaration and before its name. */
    private boolean isHeadOf(SourceFile file, Range stretch, Range name) {
        return declaration(file, name)
                .filter(declaration -> declaration.start() <= stretch.start() && stretch.end() <= name.start())
                .isPresent();
    }

    private Optional<Range> declaration(SourceFile file, Range name) {
        return before.code(file.path()).flatMap(code -> code.declaration(name).map(path -> code.range(path.getLeaf())));
    }

    private boolean isWider(SymbolKey key) {
        Optional<AccessLevel> was = before.symbol(key).map(symbol -> AccessLevel.of(symbol.modifiers()));
        Optional<AccessLevel> willBe = after.symbol(mapping.key(key)).map(symbol -> AccessLevel.of(symbol.modifiers()));
        return was.isPresent() && willBe.filter(level -> level.compareTo(was.get()) > 0).isPresent();
    }

    private static boolean isImport(SourceFile file, Edit edit) {
        boolean removes = edit.replacement().isEmpty() && isOnlyImports(file, edit.range());
        boolean adds = edit.range().length() == 0 && edit.replacement().matches("\\s*(import [^;/\"]*;\\s*)+")
                && isAmongImports(file, edit.range().start());
        return removes || adds || isOtherOrder(file, edit);
    }

    /** Whether imports are written in place of imports, with all comments among them. */
    private static boolean isOtherOrder(SourceFile file, Edit edit) {
        Tokens written = Tokens.of(edit.replacement());
        List<String> comments = new ArrayList<>();
        boolean isOnly = isOnly(file.tokens(), file.outline().imports(), edit.range(), comments)
                && isOnly(written, FileOutline.of(written).imports(), new Range(0, edit.replacement().length()),
                        new ArrayList<>());
        return isOnly && comments.stream().allMatch(edit.replacement()::contains);
    }

    private static boolean isOnlyImports(SourceFile file, Range range) {
        List<String> comments = new ArrayList<>();
        return isOnly(file.tokens(), file.outline().imports(), range, comments) && comments.isEmpty();
    }

    /** Whether there is nothing in a range but imports, white space, and comments, which are told. */
    private static boolean isOnly(Tokens tokens, List<ImportOutline> lines, Range range, List<String> comments) {
        List<Range> imports = lines.stream().map(ImportOutline::range).filter(range::encloses).toList();
        for (int i = Math.max(0, tokens.at(range.start())); i < tokens.count() && tokens.start(i) < range.end(); i++) {
            Range token = tokens.range(i);
            if (imports.stream().noneMatch(line -> line.encloses(token))) {
                if (tokens.kind(i).isComment()) {
                    comments.add(tokens.text(i));
                } else if (!tokens.kind(i).isTrivia()) {
                    return false;
                }
            }
        }
        return !imports.isEmpty();
    }

    /** Before or after an import, after the package, or at the start of a file that has neither. */
    private static boolean isAmongImports(SourceFile file, int offset) {
        boolean isAtImport = file.outline().imports().stream()
                .anyMatch(line -> line.range().end() == offset || line.range().start() == offset);
        Range home = file.outline().packageRange();
        Tokens tokens = file.tokens();
        boolean isBehindPackage = home.length() > 0 && home.end() <= offset
                && tokens.codeBefore(tokens.at(offset - 1)) == tokens.code(tokens.at(home.end() - 1) + 1)
                && tokens.is(tokens.codeBefore(tokens.at(offset - 1)), ';');
        return isAtImport || isBehindPackage || offset == 0;
    }

    private static boolean staysInText(Tokens tokens, Edit edit) {
        int token = tokens.at(edit.range().start());
        boolean isText = token >= 0 && (edit.kind() == Edit.Kind.COMMENT
                ? tokens.kind(token).isComment()
                : tokens.kind(token).isText());
        return isText && tokens.range(token).encloses(edit.range()) && tokens.start(token) < edit.range().start()
                && edit.replacement().codePoints().allMatch(c -> Character.isJavaIdentifierPart(c) || c == '.');
    }
}
