package dev.deftchisel.analysis.binding;

import com.sun.source.doctree.DocCommentTree;
import com.sun.source.doctree.DocTree;
import com.sun.source.doctree.IdentifierTree;
import com.sun.source.doctree.ParamTree;
import com.sun.source.doctree.ReferenceTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.util.DocSourcePositions;
import com.sun.source.util.DocTreePath;
import com.sun.source.util.DocTreePathScanner;
import com.sun.source.util.DocTrees;
import com.sun.source.util.TreePath;
import dev.deftchisel.added.Additions;
import dev.deftchisel.analysis.compiler.CompilerRun;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import javax.lang.model.element.Element;
import javax.lang.model.element.PackageElement;

/**
 * Finds references in documentation comments: {@code @link}, {@code @see}, {@code @throws} and the like name types and
 * members, {@code @param} names a parameter, type parameter or component.
 *
 * <p>A reference has the form {@code pkg.Outer.Inner#member(ParameterType, …)}. The compiler resolves it as a whole;
 * its parts are resolved by asking for shorter references at the same place.
 */
final class DocBindings {

    private final SourceFile file;
    private final CompilationUnitTree unit;
    private final DocTrees trees;
    private final Additions additions;
    private final Symbols symbols;
    private final FileBindings facts;
    private final Focus focus;

    /** @param focus whose names say which comments are looked at: those in which one stands; without names all */
    DocBindings(
            SourceFile file,
            CompilerRun.Attributed run,
            Symbols symbols,
            FileBindings facts,
            Focus focus) {
        this.file = file;
        this.unit = run.units().get(file.path());
        this.trees = run.trees();
        this.additions = run.additions(unit);
        this.symbols = symbols;
        this.facts = facts;
        this.focus = focus;
    }

    /** Looks at the comment of one declaration, if it has one. */
    void scan(TreePath declaration) {
        String text = trees.getDocComment(declaration);
        if (text == null || !isOfInterest(text, (int) trees.getSourcePositions()
                .getStartPosition(unit, declaration.getLeaf()))) {
            return;
        }
        DocCommentTree comment = trees.getDocCommentTree(declaration);
        if (comment != null) {
            new Scanner(comment).scan(new DocTreePath(declaration, comment), null);
        }
    }

    /** Also what stands in the midst of a stretch of code that is looked at. */
    private boolean isOfInterest(String text, int start) {
        return focus.names().isEmpty() || focus.names().stream().anyMatch(name -> Words.contains(text, name))
                || focus.around().getOrDefault(file.path(), List.of()).stream()
                .anyMatch(code -> code.start() < start - text.length() && code.end() > start);
    }

    private final class Scanner extends DocTreePathScanner<Void, Void> {

        private final DocCommentTree comment;

        Scanner(DocCommentTree comment) {
            this.comment = comment;
        }

        @Override
        public Void visitReference(ReferenceTree tree, Void unused) {
            Range range = range(tree);
            if (range.length() > 0 && isOfInterest(file.content().substring(range.start(), range.end()),
                    range.start())) {
                reference(range);
            }
            return super.visitReference(tree, null);
        }

        @Override
        public Void visitIdentifier(IdentifierTree tree, Void unused) {
            Range range = range(tree);
            String name = tree.getName().toString();
            if (getCurrentPath().getParentPath().getLeaf() instanceof ParamTree
                    && range.length() > 0
                    && file.content().startsWith(name, range.start())) {
                Element element = trees.getElement(getCurrentPath());
                if (element != null) {
                    facts.bind(range, symbols.key(element), Role.DOC, true);
                }
            }
            return super.visitIdentifier(tree, null);
        }

        private Range range(DocTree tree) {
            DocSourcePositions positions = trees.getSourcePositions();
            long start = additions.original(positions.getStartPosition(unit, comment, tree));
            long end = additions.originalEnd(positions.getEndPosition(unit, comment, tree));
            return start < 0 || end < start || end > file.content().length()
                    ? new Range(0, 0)
                    : new Range((int) start, (int) end);
        }

        /** Cuts the reference into tokens and binds each name in it. */
        private void reference(Range range) {
            Tokens tokens = Tokens.of(file.content().substring(range.start(), range.end()));
            Element whole = trees.getElement(getCurrentPath());
            StringBuilder type = new StringBuilder();
            boolean inMember = false;
            boolean inParameters = false;
            int before = -1;
            for (int i = tokens.code(0); i < tokens.count(); before = i, i = tokens.code(i + 1)) {
                if (tokens.is(i, '#')) {
                    inMember = true;
                } else if (tokens.is(i, '(')) {
                    inParameters = true;
                    type.setLength(0);
                } else if (tokens.is(i, '/')) {
                    type.setLength(0);
                } else if (tokens.is(i, '.')) {
                    type.append('.');
                } else if (tokens.kind(i) == TokenKind.IDENTIFIER) {
                    Range place = new Range(range.start() + tokens.start(i), range.start() + tokens.end(i));
                    if (inMember && !inParameters) {
                        bindMember(place, whole, tokens.name(i));
                    } else if (before < 0 || tokens.kind(before) != TokenKind.IDENTIFIER) {
                        type.setLength(before >= 0 && tokens.is(before, '.') ? type.length() : 0);
                        type.append(tokens.name(i));
                        bindType(place, type.toString(), whole);
                    }
                }
            }
        }

        private void bindMember(Range place, Element member, String name) {
            boolean isConstructor = member != null && member.getSimpleName().contentEquals("<init>");
            if (isConstructor) {
                facts.bind(place, symbols.key(member.getEnclosingElement()), Role.DOC, true);
            } else if (member != null && member.getSimpleName().contentEquals(name)) {
                facts.bind(place, symbols.key(member), Role.DOC, true);
            } else {
                facts.bind(place, new SymbolKey.Unknown(name), Role.DOC, true);
            }
        }

        private void bindType(Range place, String prefix, Element whole) {
            Element element = resolved(prefix);
            boolean isPackage = element == null || element instanceof PackageElement;
            if (!isPackage) {
                facts.bind(place, symbols.key(element), Role.DOC, true);
            } else if (isWithin(whole, prefix)) {
                facts.bind(place, new SymbolKey.Package(prefix), Role.DOC, true);
            }
        }

        /** What a shorter reference at this place means, or null; some prefixes, such as a keyword, are none at all. */
        private Element resolved(String prefix) {
            try {
                ReferenceTree part = trees.getDocTreeFactory().newReferenceTree(prefix);
                return trees.getElement(new DocTreePath(getCurrentPath().getParentPath(), part));
            } catch (IllegalArgumentException noReference) {
                return null;
            }
        }

        private boolean isWithin(Element whole, String prefix) {
            for (Element around = whole; around != null; around = around.getEnclosingElement()) {
                if (around instanceof PackageElement home) {
                    String name = home.getQualifiedName().toString();
                    return name.equals(prefix) || name.startsWith(prefix + ".");
                }
            }
            return false;
        }
    }
}
