var geometry = (function(exports) {
	Object.defineProperty(exports, Symbol.toStringTag, { value: "Module" });
	// src/drawing/document.ts
	/** The line and side that an end's id names, or null when it is no end's id. */
	function parseEndId(id) {
		const at = id.lastIndexOf("/");
		const side = id.slice(at + 1);
		return at > 0 && (side === "from" || side === "to") ? {
			line: id.slice(0, at),
			side
		} : null;
	}
	var rowsOf = (shape) => shape.compartments.flat();
	/** The id of the sheet that holds whatever names none. */
	var firstSheet = (drawing) => [...drawing.sheets.keys()][0] ?? "sheet1";
	/** The lines that have an end at one of these shapes, or at a row in one of them. */
	function linesAt(drawing, shapes) {
		const rows = /* @__PURE__ */ new Set();
		for (const id of shapes) {
			const shape = drawing.shapes.get(id);
			if (shape) for (const row of rowsOf(shape)) rows.add(row.id);
		}
		const touches = (end) => end.on.kind === "shape" && shapes.has(end.on.id) || end.on.kind === "row" && rows.has(end.on.id);
		return [...drawing.lines.values()].filter((line) => touches(line.from) || touches(line.to));
	}
	// src/drawing/format.ts
	/** Reads a document that the server has checked. */
	function readDrawing(text) {
		const file = JSON.parse(text);
		const shapes = /* @__PURE__ */ new Map();
		const lines = /* @__PURE__ */ new Map();
		const regions = /* @__PURE__ */ new Map();
		for (const [i, sheet] of file.sheets.entries()) {
			const on = i > 0 ? { sheet: sheet.id } : {};
			for (const shape of sheet.shapes ?? []) shapes.set(shape.id, {
				...readShape(shape),
				...on
			});
			for (const line of sheet.lines ?? []) lines.set(line.id, {
				...readLine(line),
				...on
			});
			for (const { id, text = "", hue = 1, members = [] } of sheet.regions ?? []) regions.set(id, {
				id,
				text,
				hue,
				members,
				...on
			});
		}
		const ties = new Map((file.ties ?? []).map((tie, i) => [`tie${i}`, {
			id: `tie${i}`,
			...tie
		}]));
		const comments = new Map((file.comments ?? []).map((comment) => [comment.element, comment]));
		return {
			sheets: new Map(file.sheets.map(({ id, name = "" }) => [id, {
				id,
				name
			}])),
			shapes,
			lines,
			ties,
			regions,
			comments
		};
	}
	function readShape(shape) {
		const [x, y] = shape.place ?? [0, 0];
		return {
			id: shape.id,
			form: shape.form,
			outline: shape.outline ?? "single",
			text: shape.text ?? "",
			compartments: (shape.compartments ?? []).map((rows) => rows.map(readRow)),
			x,
			y,
			...shape.pinned && { pinned: true },
			...styleOf(shape)
		};
	}
	/** Beneath and slant of a text, left out where they are plain. */
	var styleOf = ({ underline, italic }) => ({
		...underline && underline !== "none" && { underline },
		...italic && { italic }
	});
	var readRow = (row) => ({
		id: row.id,
		mark: row.mark ?? "",
		ring: row.ring ?? false,
		text: row.text ?? "",
		underline: row.underline ?? "none",
		...row.italic && { italic: true }
	});
	function readLine(line) {
		const route = line.route ?? [];
		return {
			id: line.id,
			stroke: line.stroke ?? "solid",
			text: line.text ?? "",
			from: readEnd(line.from, route[0]),
			to: readEnd(line.to, route[route.length - 1]),
			...line.along && { along: line.along.map(({ symbol, facing = "to" }) => ({
				symbol,
				facing
			})) },
			...line.pointer && line.pointer !== "neither" && { pointer: line.pointer }
		};
	}
	function readEnd(end, at) {
		return {
			on: end.shape ? {
				kind: "shape",
				id: end.shape
			} : end.row ? {
				kind: "row",
				id: end.row
			} : end.line ? {
				kind: "line",
				id: end.line
			} : end.end ? {
				kind: "end",
				id: end.end
			} : {
				kind: "nothing",
				x: at?.[0] ?? 0,
				y: at?.[1] ?? 0
			},
			marks: end.marks ?? [],
			label: end.label ?? "",
			role: end.role ?? "",
			count: end.count ?? "",
			...end.qualifier && { qualifier: end.qualifier },
			...end.edge && { edge: end.edge }
		};
	}
	/** Writes the document. The server makes it canonical. */
	function writeDrawing(drawing, placement) {
		const file = {
			format: "blue-slate-drawing",
			version: 1,
			sheets: [...drawing.sheets.values()].map(({ id, name }) => {
				const on = (element) => (element.sheet ?? firstSheet(drawing)) === id;
				return {
					id,
					name,
					shapes: [...drawing.shapes.values()].filter(on).map((shape) => writeShape(shape, placement)),
					lines: [...drawing.lines.values()].filter(on).map((line) => writeLine(line, placement)),
					regions: [...drawing.regions.values()].filter(on).map(({ id, text, hue, members }) => ({
						id,
						text,
						hue,
						members: [...members]
					}))
				};
			}),
			comments: [...drawing.comments.values()],
			ties: [...drawing.ties.values()].map(({ element, block, start, quote }) => ({
				element,
				block,
				start,
				quote
			}))
		};
		return JSON.stringify(file);
	}
	function writeShape(shape, placement) {
		const { width, height } = placement.sizeOf(shape);
		return {
			id: shape.id,
			form: shape.form,
			outline: shape.outline,
			text: shape.text,
			compartments: shape.compartments.map((rows) => rows.map((row) => ({ ...row }))),
			place: [
				shape.x,
				shape.y,
				width,
				height
			],
			...shape.pinned && { pinned: true },
			...styleOf(shape)
		};
	}
	function writeLine(line, placement) {
		return {
			id: line.id,
			stroke: line.stroke,
			text: line.text,
			from: writeEnd(line.from),
			to: writeEnd(line.to),
			route: placement.routeOf(line).map((point) => [Math.round(point.x * 4), Math.round(point.y * 4)]),
			...line.along && { along: line.along.map((mark) => ({ ...mark })) },
			...line.pointer && { pointer: line.pointer },
			labels: placement.textsOf(line).map(writeLabel)
		};
	}
	var writeLabel = ({ of, side, x, y, anchor }) => ({
		of: of === "line" ? "text" : of,
		side: of === "line" ? "neither" : side,
		at: [Math.round(x * 4), Math.round(y * 4)],
		...anchor === "end" && { ends: true }
	});
	function writeEnd(end) {
		const { on, marks, label, role, count, qualifier, edge } = end;
		return {
			...on.kind === "nothing" ? {} : { [on.kind]: on.id },
			marks: [...marks],
			label,
			role,
			count,
			...qualifier && { qualifier },
			...edge && { edge }
		};
	}
	var advances_default = {
		unit: 1e3,
		font: "Andika",
		weights: {
			"400": {
				"0": 586,
				"1": 586,
				"2": 586,
				"3": 586,
				"4": 586,
				"5": 586,
				"6": 586,
				"7": 586,
				"8": 586,
				"9": 586,
				" ": 269,
				"!": 373,
				"\"": 500,
				"#": 586,
				"$": 586,
				"%": 745,
				"&": 597,
				"'": 295,
				"(": 388,
				")": 388,
				"*": 502,
				"+": 586,
				",": 317,
				"-": 420,
				".": 313,
				"/": 488,
				":": 313,
				";": 317,
				"<": 586,
				"=": 586,
				">": 586,
				"?": 513,
				"@": 831,
				"A": 681,
				"B": 627,
				"C": 662,
				"D": 701,
				"E": 566,
				"F": 562,
				"G": 693,
				"H": 720,
				"I": 476,
				"J": 471,
				"K": 640,
				"L": 527,
				"M": 876,
				"N": 732,
				"O": 713,
				"P": 583,
				"Q": 720,
				"R": 637,
				"S": 574,
				"T": 618,
				"U": 703,
				"V": 667,
				"W": 1016,
				"X": 647,
				"Y": 645,
				"Z": 601,
				"[": 386,
				"\\": 488,
				"]": 386,
				"^": 415,
				"_": 622,
				"`": 283,
				"a": 562,
				"b": 564,
				"c": 498,
				"d": 581,
				"e": 535,
				"f": 366,
				"g": 549,
				"h": 574,
				"i": 276,
				"j": 291,
				"k": 505,
				"l": 276,
				"m": 823,
				"n": 579,
				"o": 557,
				"p": 571,
				"q": 552,
				"r": 435,
				"s": 471,
				"t": 408,
				"u": 579,
				"v": 522,
				"w": 757,
				"x": 530,
				"y": 518,
				"z": 508,
				"{": 488,
				"|": 337,
				"}": 488,
				"~": 544,
				"\xA0": 269,
				"¡": 373,
				"¢": 586,
				"£": 586,
				"¤": 586,
				"¥": 586,
				"¦": 500,
				"§": 500,
				"¨": 0,
				"©": 740,
				"ª": 395,
				"«": 635,
				"¬": 586,
				"­": 0,
				"®": 789,
				"¯": 347,
				"°": 313,
				"±": 586,
				"²": 410,
				"³": 410,
				"´": 283,
				"µ": 579,
				"¶": 500,
				"·": 332,
				"¸": 190,
				"¹": 410,
				"º": 390,
				"»": 635,
				"¼": 781,
				"½": 781,
				"¾": 781,
				"¿": 513,
				"À": 681,
				"Á": 681,
				"Â": 681,
				"Ã": 681,
				"Ä": 681,
				"Å": 681,
				"Æ": 881,
				"Ç": 662,
				"È": 566,
				"É": 566,
				"Ê": 566,
				"Ë": 566,
				"Ì": 476,
				"Í": 476,
				"Î": 476,
				"Ï": 476,
				"Ð": 701,
				"Ñ": 732,
				"Ò": 713,
				"Ó": 713,
				"Ô": 713,
				"Õ": 713,
				"Ö": 713,
				"×": 586,
				"Ø": 713,
				"Ù": 703,
				"Ú": 703,
				"Û": 703,
				"Ü": 703,
				"Ý": 645,
				"Þ": 584,
				"ß": 604,
				"à": 562,
				"á": 562,
				"â": 562,
				"ã": 562,
				"ä": 562,
				"å": 562,
				"æ": 852,
				"ç": 498,
				"è": 535,
				"é": 535,
				"ê": 535,
				"ë": 535,
				"ì": 276,
				"í": 276,
				"î": 276,
				"ï": 276,
				"ð": 566,
				"ñ": 579,
				"ò": 557,
				"ó": 557,
				"ô": 557,
				"õ": 557,
				"ö": 557,
				"÷": 586,
				"ø": 557,
				"ù": 579,
				"ú": 579,
				"û": 579,
				"ü": 579,
				"ý": 518,
				"þ": 571,
				"ÿ": 518,
				"Ā": 681,
				"ā": 562,
				"Ă": 681,
				"ă": 562,
				"Ą": 681,
				"ą": 562,
				"Ć": 662,
				"ć": 498,
				"Ĉ": 662,
				"ĉ": 498,
				"Ċ": 662,
				"ċ": 498,
				"Č": 662,
				"č": 498,
				"Ď": 701,
				"ď": 679,
				"Đ": 701,
				"đ": 581,
				"Ē": 566,
				"ē": 535,
				"Ĕ": 566,
				"ĕ": 535,
				"Ė": 566,
				"ė": 535,
				"Ę": 566,
				"ę": 535,
				"Ě": 566,
				"ě": 535,
				"Ĝ": 693,
				"ĝ": 549,
				"Ğ": 693,
				"ğ": 549,
				"Ġ": 693,
				"ġ": 549,
				"Ģ": 693,
				"ģ": 549,
				"Ĥ": 720,
				"ĥ": 574,
				"Ħ": 757,
				"ħ": 581,
				"Ĩ": 476,
				"ĩ": 276,
				"Ī": 476,
				"ī": 276,
				"Ĭ": 476,
				"ĭ": 276,
				"Į": 476,
				"į": 276,
				"İ": 476,
				"ı": 278,
				"Ĳ": 947,
				"ĳ": 566,
				"Ĵ": 471,
				"ĵ": 291,
				"Ķ": 640,
				"ķ": 505,
				"ĸ": 527,
				"Ĺ": 527,
				"ĺ": 276,
				"Ļ": 527,
				"ļ": 276,
				"Ľ": 527,
				"ľ": 359,
				"Ŀ": 661,
				"ŀ": 456,
				"Ł": 552,
				"ł": 420,
				"Ń": 732,
				"ń": 579,
				"Ņ": 732,
				"ņ": 579,
				"Ň": 732,
				"ň": 579,
				"ŉ": 813,
				"Ŋ": 713,
				"ŋ": 579,
				"Ō": 713,
				"ō": 557,
				"Ŏ": 713,
				"ŏ": 557,
				"Ő": 713,
				"ő": 557,
				"Œ": 1070,
				"œ": 1023,
				"Ŕ": 637,
				"ŕ": 435,
				"Ŗ": 637,
				"ŗ": 435,
				"Ř": 637,
				"ř": 435,
				"Ś": 574,
				"ś": 471,
				"Ŝ": 574,
				"ŝ": 471,
				"Ş": 574,
				"ş": 471,
				"Š": 574,
				"š": 471,
				"Ţ": 618,
				"ţ": 408,
				"Ť": 618,
				"ť": 408,
				"Ŧ": 618,
				"ŧ": 408,
				"Ũ": 703,
				"ũ": 579,
				"Ū": 703,
				"ū": 579,
				"Ŭ": 703,
				"ŭ": 579,
				"Ů": 703,
				"ů": 579,
				"Ű": 703,
				"ű": 579,
				"Ų": 703,
				"ų": 579,
				"Ŵ": 1016,
				"ŵ": 757,
				"Ŷ": 645,
				"ŷ": 518,
				"Ÿ": 645,
				"Ź": 601,
				"ź": 508,
				"Ż": 601,
				"ż": 508,
				"Ž": 601,
				"ž": 508,
				"ſ": 298
			},
			"700": {
				"0": 605,
				"1": 605,
				"2": 605,
				"3": 605,
				"4": 605,
				"5": 605,
				"6": 605,
				"7": 605,
				"8": 605,
				"9": 605,
				" ": 269,
				"!": 381,
				"\"": 530,
				"#": 605,
				"$": 605,
				"%": 764,
				"&": 662,
				"'": 305,
				"(": 420,
				")": 420,
				"*": 508,
				"+": 586,
				",": 325,
				"-": 437,
				".": 347,
				"/": 527,
				":": 347,
				";": 347,
				"<": 586,
				"=": 586,
				">": 586,
				"?": 532,
				"@": 851,
				"A": 725,
				"B": 676,
				"C": 676,
				"D": 725,
				"E": 592,
				"F": 586,
				"G": 719,
				"H": 740,
				"I": 510,
				"J": 503,
				"K": 698,
				"L": 552,
				"M": 906,
				"N": 754,
				"O": 732,
				"P": 623,
				"Q": 754,
				"R": 674,
				"S": 607,
				"T": 618,
				"U": 728,
				"V": 715,
				"W": 1042,
				"X": 667,
				"Y": 666,
				"Z": 610,
				"[": 415,
				"\\": 527,
				"]": 415,
				"^": 430,
				"_": 632,
				"`": 313,
				"a": 613,
				"b": 593,
				"c": 499,
				"d": 618,
				"e": 542,
				"f": 391,
				"g": 579,
				"h": 603,
				"i": 313,
				"j": 327,
				"k": 556,
				"l": 313,
				"m": 859,
				"n": 608,
				"o": 566,
				"p": 603,
				"q": 591,
				"r": 486,
				"s": 505,
				"t": 432,
				"u": 608,
				"v": 539,
				"w": 767,
				"x": 579,
				"y": 537,
				"z": 518,
				"{": 508,
				"|": 337,
				"}": 508,
				"~": 544,
				"\xA0": 269,
				"¡": 381,
				"¢": 532,
				"£": 605,
				"¤": 605,
				"¥": 605,
				"¦": 520,
				"§": 535,
				"¨": 0,
				"©": 750,
				"ª": 396,
				"«": 638,
				"¬": 586,
				"­": 0,
				"®": 754,
				"¯": 405,
				"°": 349,
				"±": 586,
				"²": 410,
				"³": 410,
				"´": 313,
				"µ": 608,
				"¶": 540,
				"·": 366,
				"¸": 205,
				"¹": 410,
				"º": 391,
				"»": 638,
				"¼": 843,
				"½": 843,
				"¾": 843,
				"¿": 532,
				"À": 725,
				"Á": 725,
				"Â": 725,
				"Ã": 725,
				"Ä": 725,
				"Å": 725,
				"Æ": 894,
				"Ç": 676,
				"È": 592,
				"É": 592,
				"Ê": 592,
				"Ë": 592,
				"Ì": 510,
				"Í": 510,
				"Î": 510,
				"Ï": 510,
				"Ð": 732,
				"Ñ": 754,
				"Ò": 732,
				"Ó": 732,
				"Ô": 732,
				"Õ": 732,
				"Ö": 732,
				"×": 586,
				"Ø": 732,
				"Ù": 728,
				"Ú": 728,
				"Û": 728,
				"Ü": 728,
				"Ý": 666,
				"Þ": 623,
				"ß": 694,
				"à": 613,
				"á": 613,
				"â": 613,
				"ã": 613,
				"ä": 613,
				"å": 613,
				"æ": 868,
				"ç": 499,
				"è": 542,
				"é": 542,
				"ê": 542,
				"ë": 542,
				"ì": 315,
				"í": 315,
				"î": 315,
				"ï": 315,
				"ð": 568,
				"ñ": 608,
				"ò": 566,
				"ó": 566,
				"ô": 566,
				"õ": 566,
				"ö": 566,
				"÷": 586,
				"ø": 566,
				"ù": 608,
				"ú": 608,
				"û": 608,
				"ü": 608,
				"ý": 537,
				"þ": 599,
				"ÿ": 537,
				"Ā": 725,
				"ā": 613,
				"Ă": 725,
				"ă": 613,
				"Ą": 725,
				"ą": 613,
				"Ć": 676,
				"ć": 499,
				"Ĉ": 676,
				"ĉ": 499,
				"Ċ": 676,
				"ċ": 499,
				"Č": 676,
				"č": 499,
				"Ď": 725,
				"ď": 747,
				"Đ": 732,
				"đ": 619,
				"Ē": 592,
				"ē": 542,
				"Ĕ": 592,
				"ĕ": 542,
				"Ė": 592,
				"ė": 542,
				"Ę": 592,
				"ę": 542,
				"Ě": 592,
				"ě": 542,
				"Ĝ": 719,
				"ĝ": 579,
				"Ğ": 719,
				"ğ": 579,
				"Ġ": 719,
				"ġ": 579,
				"Ģ": 719,
				"ģ": 579,
				"Ĥ": 740,
				"ĥ": 603,
				"Ħ": 769,
				"ħ": 610,
				"Ĩ": 510,
				"ĩ": 315,
				"Ī": 510,
				"ī": 315,
				"Ĭ": 510,
				"ĭ": 315,
				"Į": 510,
				"į": 313,
				"İ": 510,
				"ı": 343,
				"Ĳ": 979,
				"ĳ": 609,
				"Ĵ": 503,
				"ĵ": 327,
				"Ķ": 698,
				"ķ": 556,
				"ĸ": 593,
				"Ĺ": 552,
				"ĺ": 313,
				"Ļ": 552,
				"ļ": 313,
				"Ľ": 552,
				"ľ": 430,
				"Ŀ": 728,
				"ŀ": 503,
				"Ł": 562,
				"ł": 420,
				"Ń": 754,
				"ń": 608,
				"Ņ": 754,
				"ņ": 608,
				"Ň": 754,
				"ň": 608,
				"ŉ": 983,
				"Ŋ": 738,
				"ŋ": 608,
				"Ō": 732,
				"ō": 566,
				"Ŏ": 732,
				"ŏ": 566,
				"Ő": 732,
				"ő": 566,
				"Œ": 1167,
				"œ": 1094,
				"Ŕ": 674,
				"ŕ": 486,
				"Ŗ": 674,
				"ŗ": 486,
				"Ř": 674,
				"ř": 486,
				"Ś": 607,
				"ś": 505,
				"Ŝ": 607,
				"ŝ": 505,
				"Ş": 607,
				"ş": 505,
				"Š": 607,
				"š": 505,
				"Ţ": 618,
				"ţ": 432,
				"Ť": 618,
				"ť": 432,
				"Ŧ": 618,
				"ŧ": 432,
				"Ũ": 728,
				"ũ": 608,
				"Ū": 728,
				"ū": 608,
				"Ŭ": 728,
				"ŭ": 608,
				"Ů": 728,
				"ů": 608,
				"Ű": 728,
				"ű": 608,
				"Ų": 728,
				"ų": 579,
				"Ŵ": 1042,
				"ŵ": 767,
				"Ŷ": 666,
				"ŷ": 537,
				"Ÿ": 666,
				"Ź": 610,
				"ź": 518,
				"Ż": 610,
				"ż": 518,
				"Ž": 610,
				"ž": 518,
				"ſ": 322
			}
		}
	};
	var forms = new Map(Object.values(/* @__PURE__ */ Object.assign({
		"../../../symbols/forms/ball.json": {
			name: "ball",
			says: "a ball",
			notations: ["uml"],
			edge: ["M0 .5C0 .2239 .2239 0 .5 0C.7761 0 1 .2239 1 .5C1 .7761 .7761 1 .5 1C.2239 1 0 .7761 0 .5Z"],
			inset: [4, 4],
			layout: "below",
			rim: "ellipse",
			least: [20, 20]
		},
		"../../../symbols/forms/circle.json": {
			name: "circle",
			says: "a circle",
			notations: ["chen", "crows-foot"],
			edge: ["M0 .5C0 .2239 .2239 0 .5 0C.7761 0 1 .2239 1 .5C1 .7761 .7761 1 .5 1C.2239 1 0 .7761 0 .5Z"],
			inset: [4, 4],
			layout: "middle",
			rim: "ellipse",
			least: [30, 30],
			pad: 16
		},
		"../../../symbols/forms/diamond-in-rectangle.json": {
			name: "diamond-in-rectangle",
			says: "a diamond in a box",
			notations: ["chen"],
			edge: ["M0 0L1 0L1 1L0 1Z"],
			details: ["M.5 0L1 .5L.5 1L0 .5Z"],
			inset: [9, 5],
			layout: "middle",
			rim: "box",
			least: [120, 60],
			pad: 36,
			widen: 1.5
		},
		"../../../symbols/forms/diamond.json": {
			name: "diamond",
			says: "a diamond",
			notations: ["chen", "uml"],
			edge: ["M.5 0L1 .5L.5 1L0 .5Z"],
			inset: [9, 5],
			layout: "middle",
			rim: "diamond",
			least: [96, 54],
			pad: 34,
			widen: 1.5
		},
		"../../../symbols/forms/half-circle.json": {
			name: "half-circle",
			says: "a half circle",
			notations: ["crows-foot"],
			edge: ["M0 1C0 .4 .2 0 .5 0C.8 0 1 .4 1 1Z"],
			double: ["M0 1~5L1 1~5"],
			layout: "middle",
			rim: "dome",
			least: [46, 24],
			pad: 22,
			drop: 3
		},
		"../../../symbols/forms/junction.json": {
			name: "junction",
			says: "a junction",
			notations: ["uml", "dependency"],
			edge: ["M0 .5C0 .2239 .2239 0 .5 0C.7761 0 1 .2239 1 .5C1 .7761 .7761 1 .5 1C.2239 1 0 .7761 0 .5Z"],
			layout: "middle",
			rim: "ellipse",
			least: [10, 10],
			solid: true
		},
		"../../../symbols/forms/note.json": {
			name: "note",
			says: "a note",
			notations: [
				"crows-foot",
				"chen",
				"uml",
				"dependency"
			],
			edge: ["M0 0L1~-12 0L1 0~12L1 1L0 1Z"],
			details: ["M1~-12 0L1~-12 0~12L1 0~12"],
			layout: "lines",
			rim: "box",
			least: [90, 32],
			pad: 24
		},
		"../../../symbols/forms/oval.json": {
			name: "oval",
			says: "an oval",
			notations: ["chen"],
			edge: ["M0 .5C0 .2239 .2239 0 .5 0C.7761 0 1 .2239 1 .5C1 .7761 .7761 1 .5 1C.2239 1 0 .7761 0 .5Z"],
			inset: [4, 4],
			layout: "middle",
			rim: "ellipse",
			least: [64, 32],
			pad: 30
		},
		"../../../symbols/forms/rectangle.json": {
			name: "rectangle",
			says: "a box",
			notations: [
				"crows-foot",
				"chen",
				"uml",
				"dependency"
			],
			edge: ["M0 0L1 0L1 1L0 1Z"],
			inset: [4, 4],
			layout: "rows",
			rim: "box",
			least: [150, 36]
		},
		"../../../symbols/forms/rounded.json": {
			name: "rounded",
			says: "a rounded box",
			notations: ["crows-foot"],
			edge: ["M0~14 0L1~-14 0C1~-6 0 1 0~6 1 0~14L1 1~-14C1 1~-6 1~-6 1 1~-14 1L0~14 1C0~6 1 0 1~-6 0 1~-14L0 0~14C0 0~6 0~6 0 0~14 0Z"],
			inset: [4, 4],
			layout: "rows",
			rim: "box",
			least: [150, 36]
		},
		"../../../symbols/forms/strip.json": {
			name: "strip",
			says: "a row of cells",
			notations: ["dependency"],
			edge: ["M0 0L1 0L1 1L0 1Z"],
			inset: [4, 4],
			layout: "cells",
			rim: "box",
			least: [60, 36]
		}
	})).map((form) => [form.name, form]));
	var formOf = (form) => forms.get(form) ?? forms.get("rectangle");
	/** Whether a form holds lines of text beside each other, in cells. */
	var isStrip = (form) => formOf(form).layout === "cells";
	var inside = {
		box: (x, y) => Math.abs(x) <= 1 && Math.abs(y) <= 1,
		ellipse: (x, y) => x * x + y * y <= 1,
		diamond: (x, y) => Math.abs(x) + Math.abs(y) <= 1,
		dome: (x, y) => y <= 1 && x * x + ((1 - y) / 2) ** 2 <= 1
	};
	/** Where a straight line from a point in a shape, in a direction, crosses the shape's edge. */
	function rimPoint(form, box, from, towards) {
		const holds = inside[formOf(form).rim];
		const [rx, ry] = [box.width / 2, box.height / 2];
		const middle = {
			x: box.x + rx,
			y: box.y + ry
		};
		const length = Math.hypot(towards.x - from.x, towards.y - from.y);
		if (length === 0) return from;
		const [dx, dy] = [(towards.x - from.x) / length, (towards.y - from.y) / length];
		let [low, high] = [0, box.width + box.height];
		for (let i = 0; i < 24; i++) {
			const t = (low + high) / 2;
			if (holds((from.x + dx * t - middle.x) / rx, (from.y + dy * t - middle.y) / ry)) low = t;
			else high = t;
		}
		return {
			x: Math.round((from.x + dx * low) * 4) / 4,
			y: Math.round((from.y + dy * low) * 4) / 4
		};
	}
	// src/geometry/measure.ts
	/**
	* Text is measured from the font's own advance widths, without kerning, so that sizes are the same in every browser and
	* wherever a drawing is laid out.
	*/
	var type = {
		size: 13,
		rowHeight: 18,
		headHeight: 26,
		stereotypeHeight: 16,
		foot: 8,
		markLeft: 10,
		textLeft: 42,
		ringLeft: 33,
		padding: 14
	};
	var regular = advances_default.weights["400"];
	var bold = advances_default.weights["700"];
	var unknown = 600;
	/** The width of a text in pixels at a size. */
	function textWidth(text, size = type.size, weight = "regular") {
		const table = weight === "bold" ? bold : regular;
		let total = 0;
		for (const character of text) total += table[character] ?? unknown;
		return total * size / advances_default.unit;
	}
	var noteLine = 24;
	/** A box in which nothing but a name is written may be narrower. */
	var bareWidth = 100;
	/** The size of a shape, decided by what is written in it and by its form's data, in pixels. */
	function sizeOf(shape) {
		const form = formOf(shape.form);
		const [width, height] = form.least;
		switch (form.layout) {
			case "rows": return boxSize(shape, width);
			case "cells": return stripSize(shape, width, height);
			case "lines": return noteSize(shape.text);
			case "below": return {
				width,
				height
			};
			default: return {
				width: Math.max(width, Math.ceil(textWidth(shape.text) * (form.widen ?? 1) + (form.pad ?? 0))),
				height
			};
		}
	}
	/** A box's name, and the stereotypes in guillemets that stand above it. */
	function headOf(text) {
		const found = /^(?:\s*«[^»]*»\s*)+/.exec(text);
		return found ? {
			stereotypes: found[0].trim(),
			name: text.slice(found[0].length)
		} : {
			stereotypes: "",
			name: text
		};
	}
	/** How far a box's first compartment is from its top. */
	var headHeight = (shape) => type.headHeight + (headOf(shape.text).stereotypes === "" ? 0 : type.stereotypeHeight);
	function boxSize(shape, leastWidth) {
		const rows = rowsOf(shape);
		const { stereotypes, name } = headOf(shape.text);
		const widest = Math.max(shape.compartments.length === 0 ? bareWidth : leastWidth, textWidth(name, type.size, "bold") + 2 * type.markLeft, textWidth(stereotypes) + 2 * type.markLeft, ...rows.map((row) => markIndent(shape) + textWidth(row.text) + type.padding));
		const parts = shape.compartments.length;
		const body = rows.length === 0 && parts < 2 ? 10 : rows.length * type.rowHeight + Math.max(1, parts) * type.foot;
		return {
			width: Math.ceil(widest / 2) * 2,
			height: headHeight(shape) + body
		};
	}
	/** How far the texts of a box stand from its left edge: far enough for its widest mark. */
	function markIndent(shape) {
		const rows = rowsOf(shape);
		if (!rows.some((row) => row.mark !== "" || row.ring)) return type.markLeft;
		const widest = Math.max(0, ...rows.map((row) => textWidth(row.mark, 12)));
		const ringed = rows.some((row) => row.ring && row.mark !== "");
		return Math.max(type.textLeft, type.markLeft + widest + (ringed ? 24 : 14));
	}
	var strip = {
		nameGap: 12,
		markGap: 6,
		ring: 14,
		leastCell: 40
	};
	/** How far the first cell of a strip stands from its left edge: its name stands before it. */
	var nameWidth = (shape) => shape.text === "" ? 0 : Math.ceil(textWidth(shape.text, type.size, "bold")) + strip.nameGap;
	/** How far the text of a cell stands from the cell's left edge: behind its mark and its ring. */
	var cellLead = ({ mark, ring }) => type.markLeft + (mark === "" ? 0 : Math.ceil(textWidth(mark, 12)) + strip.markGap) + (ring ? strip.ring : 0);
	/** The cells of a strip beside each other: how far each stands from the strip's left edge, and its width. */
	function cellsOf(shape) {
		let x = nameWidth(shape);
		return rowsOf(shape).map((row) => {
			const width = Math.max(strip.leastCell, cellLead(row) + Math.ceil(textWidth(row.text)) + type.markLeft);
			x += width;
			return {
				row,
				x: x - width,
				width
			};
		});
	}
	function stripSize(shape, leastWidth, height) {
		const cells = cellsOf(shape).reduce((sum, { width }) => sum + width, 0);
		return {
			width: nameWidth(shape) + Math.max(cells, leastWidth),
			height
		};
	}
	/** The lines of a note, broken at words. */
	function noteLines(text) {
		const lines = [];
		for (const paragraph of text.split("\n")) {
			let line = "";
			for (const word of paragraph.split(" ")) {
				const longer = line === "" ? word : `${line} ${word}`;
				if (longer.length > noteLine && line !== "") {
					lines.push(line);
					line = word;
				} else line = longer;
			}
			lines.push(line);
		}
		return lines;
	}
	function noteSize(text) {
		const lines = noteLines(text);
		return {
			width: Math.max(90, ...lines.map((line) => Math.ceil(textWidth(line)) + 24)),
			height: 14 + lines.length * type.rowHeight
		};
	}
	/** The place of a shape in pixels at zoom 1. */
	function boxOf(shape) {
		return {
			x: shape.x / 4,
			y: shape.y / 4,
			...sizeOf(shape)
		};
	}
	// src/geometry/boxes.ts
	var edges = [
		"right",
		"left",
		"bottom",
		"top"
	];
	var right = (box) => box.x + box.width;
	var bottom = (box) => box.y + box.height;
	var centre = (box) => ({
		x: box.x + box.width / 2,
		y: box.y + box.height / 2
	});
	var overlaps = (a, b) => a.x < right(b) && b.x < right(a) && a.y < bottom(b) && b.y < bottom(a);
	/** How large the area is that two boxes share. */
	var sharedArea = (a, b) => overlaps(a, b) ? (Math.min(right(a), right(b)) - Math.max(a.x, b.x)) * (Math.min(bottom(a), bottom(b)) - Math.max(a.y, b.y)) : 0;
	var inflate = (box, by) => ({
		x: box.x - by,
		y: box.y - by,
		width: box.width + 2 * by,
		height: box.height + 2 * by
	});
	/** The smallest box around boxes, or null for none. */
	function around(boxes) {
		let left = Infinity;
		let top = Infinity;
		let farRight = -Infinity;
		let farBottom = -Infinity;
		for (const box of boxes) {
			left = Math.min(left, box.x);
			top = Math.min(top, box.y);
			farRight = Math.max(farRight, right(box));
			farBottom = Math.max(farBottom, bottom(box));
		}
		return left === Infinity ? null : {
			x: left,
			y: top,
			width: farRight - left,
			height: farBottom - top
		};
	}
	/** The direction that leads out of a box at an edge. */
	var outward = {
		left: {
			x: -1,
			y: 0
		},
		right: {
			x: 1,
			y: 0
		},
		top: {
			x: 0,
			y: -1
		},
		bottom: {
			x: 0,
			y: 1
		}
	};
	/** Whether an axis-parallel segment passes through the inside of a box that is wider by a margin on every side. */
	function crosses(a, b, box, margin = 0) {
		return Math.min(a.x, b.x) < right(box) + margin && Math.max(a.x, b.x) > box.x - margin && Math.min(a.y, b.y) < bottom(box) + margin && Math.max(a.y, b.y) > box.y - margin;
	}
	/** Whether a segment in any direction passes through a box that is wider by a margin (Liang and Barsky 1984). */
	function meets(a, b, box, margin = 0) {
		const [dx, dy] = [b.x - a.x, b.y - a.y];
		let [enter, leave] = [0, 1];
		for (const [by, room] of [
			[-dx, a.x - box.x + margin],
			[dx, right(box) + margin - a.x],
			[-dy, a.y - box.y + margin],
			[dy, bottom(box) + margin - a.y]
		]) {
			if (by === 0 && room <= 0) return false;
			if (by === 0) continue;
			if (by < 0) enter = Math.max(enter, room / by);
			else leave = Math.min(leave, room / by);
		}
		return enter < leave;
	}
	// src/geometry/lanes/courses.ts
	var passing = 60;
	var beside = 6;
	var wrongEdge = 1e3;
	var wrongSide = 20;
	/** How far what passes a row keeps from boxes, and from others that pass. */
	var riserGap = 8;
	var keepOff$1 = 9;
	/** The corridor by which a box of a row is reached from another corridor. */
	var entryOf = (from, row) => from <= row ? row : row + 1;
	/** The rows that are passed between two corridors. */
	function passed(from, to) {
		const [low, high] = [Math.min(from, to), Math.max(from, to)];
		return Array.from({ length: high - low }, (_, i) => low + i);
	}
	/** All rows that a net passes when it leaves by a corridor. */
	function passedBy(net, corridor, { cells }) {
		return new Set(net.spokes.flatMap(({ target }) => passed(corridor, entryOf(corridor, cells.get(target).row))));
	}
	/**
	* For each net the corridor by which it leaves: where it passes the fewest rows and runs beside the fewest others; what the key
	* determines above, the rest beneath, unless its author drew it otherwise.
	*/
	function coursesOf(nets, ground) {
		const spans = /* @__PURE__ */ new Map();
		return withRisers(nets.map((net) => {
			const corridors = corridorsFor(net, ground);
			const span = spanOf$1(net, ground);
			const cost = (corridor) => passing * passedBy(net, corridor, ground).size + beside * (spans.get(corridor) ?? []).filter(([low, high]) => low <= span[1] && span[0] <= high).length + leaving(net, corridor, ground);
			const corridor = corridors.reduce((best, other) => cost(other) < cost(best) ? other : best);
			spans.set(corridor, [...spans.get(corridor) ?? [], span]);
			return {
				net,
				corridor
			};
		}), ground);
	}
	/** The corridors by which a net could leave, the one to be preferred among equals first. */
	function corridorsFor(net, { cells, gathers }) {
		const gather = gathers.get(net.hub);
		if (gather) return [gather.corridor];
		const { row } = cells.get(net.hub);
		return net.ofKey ? [row, row + 1] : [row + 1, row];
	}
	function leaving(net, corridor, { cells }) {
		const cell = cells.get(net.hub);
		if (!cell) return 0;
		const edge = corridor === cell.row ? "top" : "bottom";
		const drawnAt = (held) => held === "top" || held === "bottom";
		return net.spokes.filter(({ line, target, hubSide }) => {
			const [near, far] = hubSide === "from" ? [line.from, line.to] : [line.to, line.from];
			if (drawnAt(near.edge)) return near.edge !== edge;
			return cells.get(target).row === cell.row && drawnAt(far.edge) && far.edge !== edge;
		}).length * wrongEdge + (net.ofKey === (corridor === cell.row) ? 0 : wrongSide);
	}
	var middleOf = (id, { cells, gathers }) => gathers.get(id)?.x ?? centre(cells.get(id).box).x;
	function spanOf$1(net, ground) {
		const all = [net.hub, ...net.spokes.map(({ target }) => target)].map((id) => middleOf(id, ground));
		return [Math.min(...all), Math.max(...all)];
	}
	/** Where each net passes the rows in its way: between boxes, nearest to where it is going, with nothing else there. */
	function withRisers(chosen, ground) {
		const gathers = [...ground.gathers.values()];
		const taken = ground.rows.map((_, row) => gathers.filter(({ corridor }) => corridor >= row - 1 && corridor <= row + 2).map(({ x }) => x).sort((a, b) => a - b));
		const take = (row, x) => {
			for (const near of [
				row - 1,
				row,
				row + 1
			]) {
				const others = taken[near];
				others?.splice(firstBeyond(x, others), 0, x);
			}
		};
		return chosen.map(({ net, corridor }) => {
			const risers = /* @__PURE__ */ new Map();
			const rows = [...passedBy(net, corridor, ground)].sort((a, b) => a - b);
			for (const way of [rows.filter((row) => row < corridor).reverse(), rows.filter((row) => row >= corridor)]) {
				let from = middleOf(net.hub, ground);
				for (const row of way) {
					from = slot(ground.rows[row], from, meanBeyond(net, corridor, row, ground), taken[row]);
					risers.set(row, from);
				}
			}
			for (const [row, x] of risers) take(row, x);
			return {
				net,
				corridor,
				risers
			};
		});
	}
	/** The middle of what a net leads to beyond a row. */
	function meanBeyond(net, corridor, row, ground) {
		const beyond = net.spokes.filter(({ target }) => passed(corridor, entryOf(corridor, ground.cells.get(target).row)).includes(row));
		return beyond.reduce((sum, { target }) => sum + middleOf(target, ground), 0) / beyond.length;
	}
	function slot(row, from, to, taken) {
		const cost = (x) => Math.abs(x - from) + Math.abs(x - to) + Math.abs(x - to) / 100;
		let [best, least] = [from, Infinity];
		for (const [low, high] of openings(row, keepOff$1 + riserGap * (taken.length + 2))) for (let x = low + keepOff$1; x <= high - keepOff$1 + .01; x += riserGap / 2) if (cost(x) < least && isApart(x, taken)) [best, least] = [x, cost(x)];
		return best;
	}
	/** Whether a place keeps its distance from all that is taken, from left to right. */
	function isApart(x, taken) {
		const next = taken[firstBeyond(x - riserGap, taken)];
		return next === void 0 || next >= x + riserGap;
	}
	/** The number of the first that stands right of a place. */
	function firstBeyond(x, sorted) {
		let [low, high] = [0, sorted.length];
		while (low < high) {
			const middle = low + high >> 1;
			if (sorted[middle] > x) high = middle;
			else low = middle + 1;
		}
		return low;
	}
	/** Where a row can be passed: between its boxes, and on both sides of them. */
	function openings({ cells }, outside) {
		const [first, last] = [cells[0].box, cells.at(-1).box];
		const between = cells.slice(1).map((cell, i) => [right(cells[i].box), cell.box.x]);
		return [
			[first.x - outside, first.x],
			...between,
			[right(last), right(last) + outside]
		];
	}
	/** By the number of each corridor that a net uses, from where to where it runs in it and which rows it meets there. */
	function spansIn(course, ground) {
		const spans = /* @__PURE__ */ new Map();
		const add = (corridor, low, high, row) => {
			const span = spans.get(corridor) ?? {
				low,
				high,
				rows: /* @__PURE__ */ new Set()
			};
			if (row !== void 0) span.rows.add(row);
			spans.set(corridor, {
				...span,
				low: Math.min(span.low, low),
				high: Math.max(span.high, high)
			});
		};
		const addCell = (corridor, { box, row }) => add(corridor, box.x, right(box), row);
		const { net, corridor, risers } = course;
		const hub = ground.cells.get(net.hub);
		if (hub) addCell(corridor, hub);
		else add(corridor, middleOf(net.hub, ground), middleOf(net.hub, ground));
		for (const [row, x] of risers) [row, row + 1].forEach((beside_) => add(beside_, x, x));
		for (const { target } of net.spokes) {
			const cell = ground.cells.get(target);
			addCell(entryOf(corridor, cell.row), cell);
		}
		return spans;
	}
	// src/geometry/lanes/ground.ts
	/** How many lines are given lanes: with more of them there is no room between rows. */
	var mostLines = 500;
	/** Whether arrows of a drawing run in lanes: bare boxes, tied by lines with solid heads or gathered, and strips of cells. */
	function isLaned(drawing) {
		if (drawing.lines.size > mostLines) return false;
		const shapes = [...drawing.shapes.values()];
		return shapes.every((shape) => isInRow(shape) || isGather(shape) || shape.form === "note") && (shapes.some((shape) => isGather(shape) || isStrip(shape.form)) || [...drawing.lines.values()].some((line) => [line.from, line.to].some((end) => end.marks.includes("arrow"))));
	}
	/** Whether a shape stands in a row with others: a bare box, or a strip of cells. */
	var isInRow = (shape) => isStrip(shape.form) || shape.form === "rectangle" && shape.compartments.length === 0;
	/** Whether a shape gathers: it names nothing. */
	var isGather = (shape) => shape.form === "junction" && rowsOf(shape).every(({ text }) => text === "");
	/** The rows in which the boxes stand, or null where boxes above each other are beside others too. */
	function groundOf(drawing, boxes) {
		const shapes = [...drawing.shapes.values()];
		const rows = rowsAmong(shapes.filter(isInRow), boxes);
		if (!rows) return null;
		const gathers = shapes.filter(isGather).flatMap((shape) => {
			const gather = seated(shape.id, centre(boxes.get(shape.id)), boxes.get(shape.id), rows);
			return gather ? [[shape.id, gather]] : [];
		});
		return {
			rows,
			cells: cellsIn(rows),
			gathers: new Map(gathers)
		};
	}
	var cellsIn = (rows) => new Map(rows.flatMap(({ cells }) => cells.map((cell) => [cell.id, cell])));
	function rowsAmong(shapes, boxes) {
		const sorted = shapes.map((shape) => ({
			shape,
			box: boxes.get(shape.id)
		})).sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x);
		const groups = [];
		for (const one of sorted) {
			const last = groups.at(-1);
			if (last && one.box.y < last.low) {
				last.members.push(one);
				last.low = Math.max(last.low, bottom(one.box));
			} else groups.push({
				low: bottom(one.box),
				members: [one]
			});
		}
		const rows = groups.map(({ low, members }, row) => {
			const beside = [...members].sort((a, b) => a.box.x - b.box.x);
			return {
				top: Math.min(...members.map(({ box }) => box.y)),
				bottom: low,
				cells: beside.flatMap((one) => cellsAt(one.shape, one.box, row))
			};
		});
		return rows.some(({ cells }) => cells.some((cell, i) => i > 0 && cell.box.x < right(cells[i - 1].box))) ? null : rows;
	}
	function cellsAt(shape, box, row) {
		if (!isStrip(shape.form)) {
			const underlined = (shape.underline ?? "none") !== "none";
			return [{
				id: shape.id,
				shape: shape.id,
				strip: "",
				box,
				row,
				underlined
			}];
		}
		const own = {
			shape: shape.id,
			strip: shape.id,
			row
		};
		const name = nameWidth(shape);
		const cells = cellsOf(shape).map(({ row: { id, underline }, x, width }) => ({
			...own,
			id,
			box: {
				...box,
				x: box.x + x,
				width
			},
			underlined: underline === "solid"
		}));
		if (name > 0 || cells.length === 0) cells.unshift({
			...own,
			id: shape.id,
			box: {
				...box,
				width: name || box.width
			},
			underlined: false
		});
		return cells;
	}
	/** A gather in the corridor in which its middle is; none where it stands among the boxes of a row. */
	function seated(id, { x, y }, box, rows) {
		const radius = box.width / 2;
		const corridor = rows.filter((row) => row.top < y).length;
		const above = rows[corridor - 1];
		return above && y < above.bottom + radius ? null : {
			id,
			x,
			y,
			radius,
			corridor
		};
	}
	/** From where to where a corridor reaches down; without end above the first row and beneath the last. */
	var reachOf = ({ rows }, corridor) => [rows[corridor - 1]?.bottom ?? -Infinity, rows[corridor]?.top ?? Infinity];
	var leastGap$1 = 3;
	/** Where there is little room, lanes first come as near to the rows as heads of arrows allow, then nearer to each other than this. */
	var nearestLane = 16;
	var easyGap = 8;
	var touching$1 = 2;
	/** How far a lane keeps from the row across its corridor. */
	var edgeRoom = 10;
	/**
	* Gives each net a lane in every corridor in which it runs: the left-edge method of channel routing (Hashimoto and Stevens 1971), short
	* ones first and nearest to their row, so that long ones lead round them.
	*/
	function lanesOf(courses, ground) {
		const seats = (one) => one.course.net.bracket && one.course.corridor === one.corridor;
		const wanted = courses.flatMap((course) => [...spansIn(course, ground)].map(([corridor, span]) => ({
			course,
			corridor,
			...span
		})));
		const lanes = /* @__PURE__ */ new Map();
		for (let corridor = 0; corridor <= ground.rows.length; corridor++) {
			const here = wanted.filter((one) => one.corridor === corridor).map((one) => ({
				...one,
				fromAbove: fromAbove(one.rows, corridor, ground)
			})).sort((a, b) => Number(seats(b)) - Number(seats(a)) || a.high - a.low - (b.high - b.low));
			const wide = levelled(here, corridor, ground, roomy);
			const pitch = narrowed(wide, corridor, ground);
			lanes.set(corridor, pitch === roomy ? wide : levelled(here, corridor, ground, pitch));
		}
		return lanes;
	}
	var roomy = {
		first: 26,
		gap: 12
	};
	/** What meets only the row above a corridor is counted from there. */
	function fromAbove(rows, corridor, ground) {
		if (corridor === 0) return false;
		return corridor === ground.rows.length || rows.has(corridor - 1) && !rows.has(corridor);
	}
	function levelled(wanted, corridor, ground, pitch) {
		const lanes = [];
		for (const one of wanted) lanes.push({
			...one,
			y: heightOf$1(one, lanes, corridor, ground, pitch)
		});
		return lanes;
	}
	function heightOf$1(one, lanes, corridor, ground, { first, gap }) {
		const { net } = one.course;
		const gather = ground.gathers.get(net.hub);
		const isSeat = gather !== void 0 && one.course.corridor === corridor;
		if (isSeat && net.bracket && gather.y !== null) return gather.y;
		const [top, low] = reachOf(ground, corridor);
		const at = (level) => one.fromAbove ? top + first + level * gap : low - first - level * gap;
		const away = (y) => one.fromAbove ? y - top : low - y;
		const bracket = lanes.find(({ course }) => course.net.hub === net.hub && course.net.bracket);
		const seat = isSeat ? gather.y ?? bracket?.y : void 0;
		const beyond = seat === void 0 || bracket && bracket.fromAbove !== one.fromAbove ? 0 : away(seat) + gap / 2;
		const firstFree = (suits) => {
			for (let level = 0; away(at(level)) <= low - top - edgeRoom; level++) {
				const y = at(level);
				if (suits(y) && lanes.every((lane) => !meet(lane, one, y, gap))) return y;
			}
		};
		return firstFree((y) => away(y) >= beyond) ?? firstFree(() => true) ?? at(0);
	}
	var meet = (lane, one, y, gap) => Math.abs(lane.y - y) < gap - .5 && lane.low - touching$1 <= one.high && one.low - touching$1 <= lane.high;
	/** How near lanes come to the rows and to each other so that all find room in a corridor. */
	function narrowed(lanes, corridor, ground) {
		const [top, low] = reachOf(ground, corridor);
		const levels = depthsOf(lanes, top, low).reduce((sum, depth) => sum + (depth === 0 ? 0 : (depth - 26) / 12 + 1), 0);
		const room = low - top;
		const between = Math.max(1, levels - 1);
		if (levels === 0 || !Number.isFinite(room) || room - 52 >= between * 12) return roomy;
		const first = Math.max(nearestLane, Math.min(26, (room - easyGap * between) / 2));
		return {
			first,
			gap: Math.max(leastGap$1, Math.min(12, (room - 2 * first) / between))
		};
	}
	/** How deep the lanes reach into a corridor from the row above it, and from the one beneath. */
	function depthsOf(lanes, top, low) {
		const deepest = (above) => Math.max(0, ...lanes.filter((lane) => lane.fromAbove === above).map(({ y }) => above ? y - top : low - y));
		return [deepest(true), deepest(false)];
	}
	/** The lane of a course in a corridor. */
	var laneOf = (lanes, course, corridor) => lanes.get(corridor).find((lane) => lane.course === course);
	// src/geometry/lanes/nets.ts
	/** All lines between boxes, or between boxes and gathers, by what they leave. */
	function netsOf(drawing, ground) {
		const found = /* @__PURE__ */ new Map();
		for (const line of drawing.lines.values()) {
			const net = netOf(line, ground);
			if (!net) continue;
			const { key, hub, bracket, spoke } = net;
			if (!found.has(key)) found.set(key, {
				hub,
				bracket,
				spokes: []
			});
			found.get(key).spokes.push(spoke);
		}
		const nets = [...found.values()];
		const keys = /* @__PURE__ */ new Map();
		for (const { id, strip, underlined } of ground.cells.values()) if (underlined) keys.set(strip, (keys.get(strip) ?? /* @__PURE__ */ new Set()).add(id));
		return nets.map((net) => {
			const gathered = nets.find((other) => other.bracket && other.hub === net.hub);
			const from = ground.cells.has(net.hub) ? [net.hub] : (gathered?.spokes ?? []).map((spoke) => spoke.target);
			const key = keys.get(ground.cells.get(from[0] ?? "")?.strip ?? "");
			return {
				...net,
				ofKey: key !== void 0 && from.length === key.size && from.every((id) => key.has(id))
			};
		});
	}
	var hasHead = (end) => end.marks.includes("arrow");
	function netOf(line, { cells, gathers }) {
		const at = (side) => line[side].on.kind === "shape" || line[side].on.kind === "row" ? line[side].on.id : "";
		const [from, to] = [at("from"), at("to")];
		const known = (id) => cells.has(id) || gathers.has(id);
		if (!known(from) || !known(to) || from === to || gathers.has(from) && gathers.has(to)) return null;
		const between = !gathers.has(from) && !gathers.has(to);
		const [one, other] = [hasHead(line.from), hasHead(line.to)];
		const hubSide = between ? one && !other ? "to" : "from" : gathers.has(from) ? "from" : "to";
		const farSide = hubSide === "from" ? "to" : "from";
		const [hub, target] = [at(hubSide), at(farSide)];
		const bracket = !between && !hasHead(line[farSide]);
		return {
			key: between && one === other ? line.id : `${hub} ${bracket}`,
			hub,
			bracket,
			spoke: {
				line,
				target,
				hubSide
			}
		};
	}
	// src/geometry/lanes/setOut.ts
	/** How wide a row becomes at the most, how far its boxes are apart, and how high a corridor is in which nothing runs. */
	var widest = 1080;
	var between = 28;
	var bareCorridor = 52;
	/** So far apart rows stand while it is not known yet how many lanes come between them. */
	var farApart = 2e4;
	/**
	* Places for shapes of a drawing whose arrows run in lanes: boxes in rows in their order, what gathers on a lane beside what it
	* gathers, and between the rows as much room as their lanes take. Where only some are fresh, the others stay where they are. Null
	* for a drawing of another kind.
	*/
	function setOut(drawing, boxes, fresh) {
		if (!isLaned(drawing)) return null;
		const shapes = [...drawing.shapes.values()];
		const cells = shapes.filter(isInRow);
		const standing = cells.filter(({ id }) => !fresh.has(id));
		const placed = new Map(boxes);
		if (standing.length === 0) inRows(cells, boxes).forEach((box, id) => placed.set(id, box));
		else if (!append(cells.filter(({ id }) => fresh.has(id)), standing, placed)) return null;
		const ground = groundOf(kept(drawing, fresh), placed);
		if (!ground || ground.rows.length === 0) return null;
		const seated = seatGathers(drawing, ground, fresh);
		const lanes = lanesOf(coursesOf(netsOf(drawing, seated), seated), seated);
		const moved = standing.length === 0 ? closedUp(seated, lanes) : seated.rows.map(() => 0);
		const at = /* @__PURE__ */ new Map();
		for (const { shape, row } of seated.cells.values()) {
			const box = placed.get(shape);
			if (fresh.has(shape)) at.set(shape, {
				x: box.x,
				y: box.y + moved[row]
			});
		}
		for (const gather of seated.gathers.values()) if (fresh.has(gather.id)) at.set(gather.id, cornerOf(gather, seated, lanes, moved));
		aside$2(shapes.filter(({ id }) => fresh.has(id) && !at.has(id)), placed, at);
		return at;
	}
	/** Without what gathers and has no place yet. */
	var kept = (drawing, fresh) => ({
		...drawing,
		shapes: new Map([...drawing.shapes].filter(([id, shape]) => !isGather(shape) || !fresh.has(id)))
	});
	/** All boxes in rows of about the same width, far apart; the rows that they had are kept where these are not too wide. */
	function inRows(cells, boxes) {
		const had = rowsAmong(cells, boxes)?.map((row) => [...new Set(row.cells.map(({ shape }) => shape))]);
		const ordered = had?.flat() ?? cells.map(({ id }) => id);
		const widthOf = (ids) => ids.reduce((sum, id) => sum + boxes.get(id).width + between, -28);
		const alone = new Set(cells.filter(({ form }) => isStrip(form)).map(({ id }) => id));
		const rows = had && had.length > 1 && had.every((ids) => widthOf(ids) <= widest) ? had : wrapped(ordered, widthOf, alone);
		const at = /* @__PURE__ */ new Map();
		rows.forEach((ids, row) => {
			let x = 0;
			for (const id of ids) {
				const box = boxes.get(id);
				at.set(id, {
					...box,
					x,
					y: row * farApart
				});
				x += box.width + between;
			}
		});
		return at;
	}
	/** Rows of about the same width; what is to stand alone has a row of its own. */
	function wrapped(ids, widthOf, alone) {
		const all = widthOf(ids);
		const share = all / Math.ceil(all / widest);
		const rows = [[]];
		for (const id of ids) {
			const row = rows.at(-1);
			const grown = widthOf([...row, id]);
			const apart = alone.has(id) || row.some((other) => alone.has(other));
			if (row.length > 0 && (apart || grown > widest || grown - share > share - widthOf(row))) rows.push([id]);
			else row.push(id);
		}
		return rows;
	}
	/** New boxes at the end of the last row, or of a new one beneath it; says whether what stands is in rows. */
	function append(fresh, standing, placed) {
		const last = rowsAmong(standing, placed)?.at(-1);
		if (!last) return false;
		const left = last.cells[0].box.x;
		let x = right(last.cells.at(-1).box) + between;
		let y = last.cells.at(-1).box.y;
		for (const { id, form } of fresh) {
			const box = placed.get(id);
			if (isStrip(form) || x + box.width > left + widest) [x, y] = [left, Math.max(y, last.bottom) + bareCorridor + 24 + 26];
			placed.set(id, {
				...box,
				x,
				y
			});
			x += box.width + between;
		}
		return true;
	}
	/** Gives what gathers a corridor and a place along it; it takes its height from its lane. */
	function seatGathers(drawing, ground, fresh) {
		const gathers = new Map(ground.gathers);
		const shapes = [...drawing.shapes.values()].filter((shape) => isGather(shape) && fresh.has(shape.id));
		for (const { id } of shapes) gathers.set(id, {
			id,
			x: 0,
			y: null,
			radius: 5,
			corridor: 0
		});
		const nets = netsOf(drawing, {
			...ground,
			gathers
		});
		for (const { id } of shapes) {
			const own = nets.filter(({ hub }) => hub === id);
			const others = [...gathers.values()].filter((gather) => gather.id !== id && gather.x !== 0);
			gathers.set(id, {
				...gathers.get(id),
				...seatFor(own, others, ground)
			});
		}
		return {
			...ground,
			gathers
		};
	}
	var crowded = 3;
	function seatFor(own, others, ground) {
		const members = (own.find((net) => net.bracket)?.spokes ?? []).map(({ target }) => ground.cells.get(target));
		const ends = own.flatMap((net) => net.spokes.map(({ target }) => ground.cells.get(target).row));
		const ofKey = own.some((net) => net.ofKey);
		const rows = members.length > 0 ? members.map(({ row }) => row) : [ground.rows.length - 1];
		const cost = (corridor) => 10 * new Set(ends.flatMap((row) => passed(corridor, entryOf(corridor, row)))).size + crowded * others.filter((gather) => gather.corridor === corridor).length + (ofKey === rows.includes(corridor) ? 0 : 1);
		const corridor = [...new Set(rows.flatMap((row) => [row + 1, row]))].reduce((best, other) => cost(other) < cost(best) ? other : best);
		const beside = members.filter(({ row }) => row === corridor || row === corridor - 1);
		const middles = (beside.length > 0 ? beside : members).map(({ box }) => centre(box).x);
		const taken = others.filter((gather) => Math.abs(gather.corridor - corridor) < 1).map(({ x }) => x);
		return {
			corridor,
			x: placeAlong([ground.rows[corridor - 1], ground.rows[corridor]].filter((row) => row !== void 0), middles, taken)
		};
	}
	var elbow = 14;
	var overBox = 60;
	var beyondRow = 60;
	var outside = 40;
	/** Between boxes, as near as can be to the middle of what is gathered, and away from others. */
	function placeAlong(rows, middles, taken) {
		const [low, high] = [Math.min(...middles), Math.max(...middles)];
		const edges = rows.flatMap((row) => row.cells.flatMap(({ box }) => [box.x, right(box)]));
		const wish = middles.length > 0 ? (low + high) / 2 : Math.max(...edges) + between;
		const covering = (x) => rows.filter((row) => row.cells.some(({ box }) => x > box.x - elbow / 2 && x < right(box) + elbow / 2)).length;
		const cost = (x) => Math.abs(x - wish) + overBox * covering(x) + (middles.length > 0 && (x < low || x > high) ? outside : 0);
		const gaps = rows.flatMap((row) => openings(row, beyondRow)).flatMap(([from, to]) => [
			(from + to) / 2,
			from + elbow,
			to - elbow
		]);
		const steps = Array.from({ length: 80 }, (_, i) => wish + (i - 40) * elbow);
		const free = [...gaps, ...steps].filter((x) => taken.every((other) => Math.abs(other - x) >= elbow));
		return free.reduce((best, x) => cost(x) < cost(best) ? x : best, free[0] ?? wish);
	}
	/** How far each row is moved, so that the corridors between rows are as high as their lanes need. */
	function closedUp({ rows }, lanes) {
		const moved = [];
		let low = 0;
		rows.forEach((row, i) => {
			const above = rows[i - 1];
			const height = above ? heightOf(depthsOf(lanes.get(i) ?? [], above.bottom, row.top)) : 0;
			moved.push(low + height - row.top);
			low += height + row.bottom - row.top;
		});
		return moved;
	}
	function heightOf([above, beneath]) {
		if (above === 0 && beneath === 0) return bareCorridor;
		return above === 0 || beneath === 0 ? above + beneath + 26 : above + 12 + beneath;
	}
	function cornerOf(gather, ground, lanes, moved) {
		const own = lanes.get(gather.corridor).filter(({ course }) => course.net.hub === gather.id).sort((a, b) => Number(b.course.net.bracket) - Number(a.course.net.bracket))[0];
		const row = own?.fromAbove ? gather.corridor - 1 : gather.corridor;
		const y = own ? own.y + moved[row] : bottom(ground.rows.at(-1).cells[0].box) + bareCorridor + (moved.at(-1) ?? 0);
		return {
			x: gather.x - gather.radius,
			y: y - gather.radius
		};
	}
	/** Notes, beneath everything else. */
	function aside$2(rest, boxes, at) {
		const low = Math.max(0, ...[...boxes].flatMap(([id, box]) => at.has(id) ? at.get(id).y + box.height : []));
		let x = 0;
		for (const { id } of rest) {
			at.set(id, {
				x,
				y: low + 156
			});
			x += boxes.get(id).width + between;
		}
	}
	// src/geometry/route.ts
	/** For each row the shape that holds it. */
	function rowOwners(drawing) {
		const owners = /* @__PURE__ */ new Map();
		for (const shape of drawing.shapes.values()) for (const row of rowsOf(shape)) owners.set(row.id, shape.id);
		return owners;
	}
	/** The shape at which a line ends, if it does at one. */
	function shapeAt(end, owners) {
		return end.on.kind === "shape" ? end.on.id : end.on.kind === "row" ? owners.get(end.on.id) : void 0;
	}
	/** Whether lines at a shape run straight: at all but boxes and notes. */
	var isRound = (shape) => formOf(shape.form).rim !== "box" || shape.form === "diamond-in-rectangle";
	/** A point of a route at a part of its length, and which way the route leads there. */
	function alongRoute(points, part) {
		const lengths = points.slice(1).map((point, i) => Math.hypot(point.x - points[i].x, point.y - points[i].y));
		let left = lengths.reduce((sum, length) => sum + length, 0) * part;
		for (const [i, length] of lengths.entries()) {
			const [a, b] = [points[i], points[i + 1]];
			const direction = {
				x: (b.x - a.x) / (length || 1),
				y: (b.y - a.y) / (length || 1)
			};
			if (left <= length || i === lengths.length - 1) return {
				point: {
					x: a.x + direction.x * left,
					y: a.y + direction.y * left
				},
				direction
			};
			left -= length;
		}
		return {
			point: points[0] ?? {
				x: 0,
				y: 0
			},
			direction: {
				x: 1,
				y: 0
			}
		};
	}
	/** The point half way along a route. */
	var midpoint = (points) => alongRoute(points, .5).point;
	// src/geometry/lanes/pins.ts
	var pinKey = (course, cell) => `${course.net.hub} ${course.net.bracket} ${course.net.spokes[0].line.id} ${cell}`;
	var pinGap = 16;
	var corner$2 = 9;
	var clash = 5;
	/** How far an end is tried aside, the nearest first. */
	var asides = [0, ...Array.from({ length: 24 }, (_, i) => 3 * (i + 1)).flatMap((by) => [-by, by])];
	/**
	* Ends that share an edge are set apart in the order in which their lanes cross least: those that come from the left stand left, the
	* nearest lane first, those from the right the other way round.
	*/
	function pinsOf(courses, lanes, ground) {
		const pins = courses.flatMap((course) => pinsAt(course, lanes, ground));
		const edges = /* @__PURE__ */ new Map();
		for (const pin of pins) {
			const edge = `${pin.cell.id} ${pin.top}`;
			if (!edges.has(edge)) edges.set(edge, []);
			edges.get(edge).push(pin);
		}
		const placed = /* @__PURE__ */ new Map();
		for (const group of edges.values()) {
			group.sort((a, b) => a.way - b.way || (a.way < 0 ? a.lane - b.lane : b.lane - a.lane));
			const { box } = group[0].cell;
			const gap = Math.min(pinGap, (box.width - 18) / Math.max(1, group.length - 1));
			const start = centre(box).x - gap * (group.length - 1) / 2;
			group.forEach((pin, i) => placed.set(pin.key, start + i * gap));
		}
		asideOfOthers(pins, placed, courses, lanes, ground);
		return placed;
	}
	function pinsAt(course, lanes, ground) {
		const { net, corridor } = course;
		return [net.hub, ...new Set(net.spokes.map(({ target }) => target))].flatMap((id) => {
			const cell = ground.cells.get(id);
			if (!cell) return [];
			const at = id === net.hub ? corridor : entryOf(corridor, cell.row);
			const lane = laneOf(lanes, course, at);
			const top = at === cell.row;
			const [left, beyond] = [lane.low < cell.box.x, lane.high > right(cell.box)];
			return [{
				key: pinKey(course, id),
				cell,
				top,
				corridor: at,
				way: left === beyond ? 0 : left ? -1 : 1,
				lane: Math.abs(lane.y - (top ? cell.box.y : cell.box.y + cell.box.height))
			}];
		});
	}
	/** Moves ends aside whose lines would lie on lines that come from the row across. */
	function asideOfOthers(pins, placed, courses, lanes, ground) {
		const passing = courses.flatMap((course) => [...uprightsThrough(course, lanes), ...stemOf(course, lanes, ground)]);
		const upright = (pin, x) => {
			const edge = pin.top ? pin.cell.box.y : pin.cell.box.y + pin.cell.box.height;
			const far = pin.top ? edge - pin.lane : edge + pin.lane;
			return {
				x,
				low: Math.min(edge, far),
				high: Math.max(edge, far)
			};
		};
		const at = pins.map((pin) => placed.get(pin.key));
		const inCorridor = /* @__PURE__ */ new Map();
		pins.forEach(({ corridor }, i) => {
			if (!inCorridor.has(corridor)) inCorridor.set(corridor, []);
			inCorridor.get(corridor).push(i);
		});
		pins.forEach((pin, i) => {
			const { box } = pin.cell;
			const isNear = (x) => x > box.x - clash && x < right(box) + clash;
			const others = passing.filter(({ x }) => isNear(x));
			for (const other of inCorridor.get(pin.corridor)) if (other !== i && isNear(at[other])) others.push(upright(pins[other], at[other]));
			const clear = (x) => {
				const one = upright(pin, x);
				return others.every((other) => Math.abs(other.x - x) >= clash || other.low >= one.high || one.low >= other.high);
			};
			const inside = (x) => x >= box.x + corner$2 && x <= right(box) - corner$2;
			const better = asides.map((by) => at[i] + by).find((x) => inside(x) && clear(x));
			if (better !== void 0) at[i] = better;
		});
		pins.forEach((pin, i) => placed.set(pin.key, at[i]));
	}
	function uprightsThrough(course, lanes) {
		return [...course.risers].map(([row, x]) => {
			const ends = [laneOf(lanes, course, row).y, laneOf(lanes, course, row + 1).y];
			return {
				x,
				low: Math.min(...ends),
				high: Math.max(...ends)
			};
		});
	}
	/** A gather, and what leads from it into its lane. */
	function stemOf(course, lanes, { gathers }) {
		const { net, corridor } = course;
		const gather = gathers.get(net.hub);
		if (!gather) return [];
		const lane = laneOf(lanes, course, corridor).y;
		const y = gather.y ?? lane;
		return [{
			x: gather.x,
			low: Math.min(y, lane) - gather.radius,
			high: Math.max(y, lane) + gather.radius
		}];
	}
	// src/geometry/lanes/lanes.ts
	/**
	* Routes for the arrows of boxes that stand in rows: up or down from a box, along a lane of their own above or beneath the row, and
	* to the next box; past other rows between their boxes. None for a drawing whose arrows do not run in lanes.
	*/
	function routeInLanes(drawing, boxes) {
		const routes = /* @__PURE__ */ new Map();
		const ground = isLaned(drawing) ? groundOf(drawing, boxes) : null;
		if (!ground || ground.rows.length === 0) return routes;
		const courses = coursesOf(netsOf(drawing, ground), ground);
		const lanes = lanesOf(courses, ground);
		const pins = pinsOf(courses, lanes, ground);
		for (const course of courses) for (const spoke of course.net.spokes) routes.set(spoke.line.id, routeOf(course, spoke, {
			ground,
			lanes,
			pins
		}));
		return routes;
	}
	function routeOf(course, spoke, plan) {
		const { ground, lanes, pins } = plan;
		const target = ground.cells.get(spoke.target);
		const last = entryOf(course.corridor, target.row);
		const points = [...startOf(course, spoke, plan)];
		let corridor = course.corridor;
		for (const row of along(course.corridor, last)) {
			const x = course.risers.get(row);
			points.push({
				x,
				y: laneOf(lanes, course, corridor).y
			});
			corridor = corridor <= row ? row + 1 : row;
			points.push({
				x,
				y: laneOf(lanes, course, corridor).y
			});
		}
		const x = pins.get(pinKey(course, target.id));
		points.push({
			x,
			y: laneOf(lanes, course, last).y
		}, {
			x,
			y: edgeAt(target, last)
		});
		const ends = [edgeOf(ground.cells.get(course.net.hub), course.corridor), edgeOf(target, last)];
		const straight = withoutKnees(points.map(({ x, y }) => ({
			x: quarter(x),
			y: quarter(y)
		})));
		return spoke.hubSide === "from" ? {
			points: straight,
			edges: {
				from: ends[0],
				to: ends[1]
			}
		} : {
			points: straight.reverse(),
			edges: {
				from: ends[1],
				to: ends[0]
			}
		};
	}
	/** The rows that are passed, in the order in which they are. */
	var along = (from, to) => from <= to ? passed(from, to) : passed(from, to).reverse();
	var edgeAt = ({ box, row }, corridor) => corridor === row ? box.y : bottom(box);
	var edgeOf = (cell, corridor) => cell ? corridor === cell.row ? "top" : "bottom" : null;
	/** From the hub into its lane. */
	function startOf(course, spoke, { ground, lanes, pins }) {
		const { net, corridor } = course;
		const lane = laneOf(lanes, course, corridor).y;
		const cell = ground.cells.get(net.hub);
		if (cell) {
			const x = pins.get(pinKey(course, cell.id));
			return [{
				x,
				y: edgeAt(cell, corridor)
			}, {
				x,
				y: lane
			}];
		}
		const gather = ground.gathers.get(net.hub);
		const y = gather.y ?? lane;
		if (Math.abs(lane - y) > gather.radius) return [{
			x: gather.x,
			y: y + Math.sign(lane - y) * gather.radius
		}, {
			x: gather.x,
			y: lane
		}];
		return [besideGather(gather, y, nextX(course, spoke, ground, pins), spoke, ground)];
	}
	/** Where along the lane of a gather a line goes first. */
	function nextX(course, { target }, { cells }, pins) {
		const last = entryOf(course.corridor, cells.get(target).row);
		const [first] = along(course.corridor, last);
		return first === void 0 ? pins.get(pinKey(course, target)) : course.risers.get(first);
	}
	/** From the side of a gather, or from its top or bottom where a line goes straight on from there. */
	function besideGather(gather, y, x, { target }, { cells }) {
		const dx = x - gather.x;
		if (Math.abs(dx) > gather.radius) return {
			x: gather.x + Math.sign(dx) * gather.radius,
			y
		};
		return {
			x,
			y: y + (cells.get(target).box.y > y ? 1 : -1) * Math.sqrt(gather.radius ** 2 - dx ** 2)
		};
	}
	var quarter = (value) => Math.round(value * 4) / 4;
	/** The same way without points at which it does not turn. */
	function withoutKnees(points) {
		const kept = [];
		for (const point of points) {
			const [before, last] = [kept.at(-2), kept.at(-1)];
			if (last && last.x === point.x && last.y === point.y) continue;
			if (before && last && (before.x === last.x && last.x === point.x || before.y === last.y && last.y === point.y)) kept.pop();
			kept.push(point);
		}
		return kept;
	}
	// src/geometry/tracks.ts
	/** How far aside a piece is tried, and in which steps. */
	var reach = 54;
	var step = 4.5;
	/** What running near beside another line counts, of what lying on it does. */
	var near = .3;
	/** How far an end keeps from the corners of its box, and from other ends at it. */
	var endCorner = 10;
	var endGap = 14;
	/** How long the piece at an end stays, which holds the marks of that end; and any other. */
	var leastEnd = 28;
	var leastInner = 10;
	/** How far a piece keeps from boxes. */
	var boxGap = 5;
	/** What a crossing counts, in pixels that lie on another line. */
	var crossing = 6;
	var aside$1 = .02;
	/**
	* Moves pieces of lines, inner ones first, onto tracks of their own where they would lie on pieces of others: the step called nudging in Wybrow,
	* Marriott and Stuckey, Orthogonal Connector Routing (2009), one piece after the other, each to the nearest track on which it shares
	* least and crosses least. Gives the lines that were moved.
	*/
	function ontoTracks(lines, fixed, boxes) {
		const placed = new Map([...lines, ...fixed].map((line) => [line.id, placedAt(line.points)]));
		const moved = /* @__PURE__ */ new Map();
		for (const line of lines) {
			let points = [...line.points];
			const others = [...placed].flatMap(([id, other]) => id === line.id ? [] : [other]);
			const ground = {
				pieces: others.flatMap(({ pieces }) => pieces),
				ends: others.flatMap(({ ends }) => ends),
				boxes,
				own: line.boxes
			};
			for (let i = 1; i < points.length - 2; i++) points = onTrack(points, i, ground);
			if (line.boxes && points.length > 2) for (const i of [0, points.length - 2]) points = onTrack(points, i, ground);
			if (points.some((point, i) => point !== line.points[i])) moved.set(line.id, points);
			placed.set(line.id, placedAt(points));
		}
		return moved;
	}
	var placedAt = (points) => ({
		pieces: piecesOf$1(points),
		ends: [points[0], points[points.length - 1]]
	});
	/** The same points with one piece moved aside, as far as it lies on something. */
	function onTrack(points, i, ground) {
		const piece = pieceOf(points[i], points[i + 1]);
		if (!piece || sharedWith(piece, ground.pieces) === 0) return points;
		let best = {
			points,
			cost: costOf$1(points, i, ground.pieces)
		};
		for (let by = step; by <= reach; by += step) for (const way of [by, -by]) {
			const tried = shifted(points, i, piece.axis, way);
			if (!keeps(points, tried, i, ground)) continue;
			const cost = costOf$1(tried, i, ground.pieces) + by * aside$1;
			if (cost < best.cost) best = {
				points: tried,
				cost
			};
		}
		return best.points;
	}
	function shifted(points, i, axis, by) {
		const move = (point) => axis === "x" ? {
			...point,
			x: point.x + by
		} : {
			...point,
			y: point.y + by
		};
		return points.map((point, n) => n === i || n === i + 1 ? move(point) : point);
	}
	/** Whether the pieces beside a moved one keep their direction and enough of their length, and nothing runs through a box. */
	function keeps(before, after, i, ground) {
		const last = after.length - 2;
		const beside = [i - 1, i + 1].filter((n) => n >= 0 && n <= last).every((n) => {
			const least = n === 0 || n === last ? leastEnd : leastInner;
			const [was, is] = [lengthOf$1(before, n), lengthOf$1(after, n)];
			return Math.sign(was) === Math.sign(is) && (Math.abs(is) >= least || Math.abs(is) >= Math.abs(was));
		});
		const ends = [...i === 0 ? [[after[0], ground.own?.[0]]] : [], ...i === last ? [[after[last + 1], ground.own?.[1]]] : []];
		return beside && ends.every(([end, box]) => box !== void 0 && standsAt(end, box, ground.ends)) && crossedBy(after, i, ground) <= crossedBy(before, i, ground);
	}
	/** How many boxes a piece runs through or too near to; at those of its own line's ends it may begin. */
	var crossedBy = (points, i, { boxes, own }) => boxes.filter((box) => crosses(points[i], points[i + 1], box, own?.includes(box) ? -1 : boxGap)).length;
	/** Whether a line can end there at a box: clear of the corners and of other ends. */
	function standsAt(end, box, others) {
		const across = end.y === box.y || end.y === bottom(box);
		const [at, low, high] = across ? [
			end.x,
			box.x,
			right(box)
		] : [
			end.y,
			box.y,
			bottom(box)
		];
		return at >= low + endCorner && at <= high - endCorner && others.every((other) => across ? other.y !== end.y || Math.abs(other.x - end.x) >= endGap : other.x !== end.x || Math.abs(other.y - end.y) >= endGap);
	}
	var lengthOf$1 = (points, n) => points[n + 1].x - points[n].x + points[n + 1].y - points[n].y;
	/** What the pieces around a moved one share with others and cross of them. */
	function costOf$1(points, i, others) {
		return [
			i - 1,
			i,
			i + 1
		].flatMap((n) => points[n] && points[n + 1] ? pieceOf(points[n], points[n + 1]) ?? [] : []).reduce((sum, piece) => sum + sharedWith(piece, others) + crossing * crossingsOf(piece, others), 0);
	}
	/** How much of a piece lies on others, or too near beside them. */
	var sharedWith = (piece, others) => others.reduce((sum, other) => other.axis === piece.axis && Math.abs(other.at - piece.at) < 8 ? sum + (Math.abs(other.at - piece.at) < 2 ? 1 : near) * Math.max(0, Math.min(piece.to, other.to) - Math.max(piece.from, other.from)) : sum, 0);
	var crossingsOf = (piece, others) => others.filter((other) => other.axis !== piece.axis && other.at > piece.from && other.at < piece.to && piece.at > other.from && piece.at < other.to).length;
	var piecesOf$1 = (points) => points.slice(1).flatMap((to, i) => pieceOf(points[i], to) ?? []);
	/** A piece along an axis: `at` is where it runs, from and to how far; null for one that slants or has no length. */
	function pieceOf(a, b) {
		if (a.x === b.x && a.y !== b.y) return {
			axis: "x",
			at: a.x,
			from: Math.min(a.y, b.y),
			to: Math.max(a.y, b.y)
		};
		if (a.y === b.y && a.x !== b.x) return {
			axis: "y",
			at: a.y,
			from: Math.min(a.x, b.x),
			to: Math.max(a.x, b.x)
		};
		return null;
	}
	// src/geometry/orthogonal.ts
	var gap = 46;
	/** How near ends may come so that the first that was drawn stays where it was. */
	var leastGap = 24;
	var corner$1 = 16;
	var tightCorner = 10;
	var shared = 20;
	var clearance = 30;
	var bendCost = 40;
	var crossingCost = 2e3;
	/** What leaving an edge at which an end was drawn costs: more than any way round, less than running through a box. */
	var leavingCost = 1500;
	/** A line still to be routed, or null where one of its ends is not at a box. */
	function planOf(line, boxes, owners) {
		const from = shapeAt(line.from, owners);
		const to = shapeAt(line.to, owners);
		const fromBox = from && boxes.get(from);
		const toBox = to && boxes.get(to);
		if (!fromBox || !toBox) return null;
		const recursive = from === to;
		return {
			line,
			recursive,
			from: {
				id: from,
				box: fromBox,
				held: line.from.edge,
				edge: "right",
				at: 0
			},
			to: {
				id: to,
				box: toBox,
				held: line.to.edge,
				edge: recursive ? "top" : "left",
				at: 0
			}
		};
	}
	/** The same with the edges that a route has. */
	function withEdges(plan, route) {
		plan.from.edge = route.edges.from ?? plan.from.edge;
		plan.to.edge = route.edges.to ?? plan.to.edge;
		return plan;
	}
	/**
	* Routes the planned lines for which none is kept: an edge of each box is chosen by length, bends and boxes in the way; ends that
	* share an edge are spread along it in the order in which their lines leave; each line then takes the cheapest path that keeps
	* clear of boxes.
	*/
	function routePlans(plans, boxes, routes) {
		const solids = [...boxes.entries()];
		for (const plan of plans) if (!routes.has(plan.line.id)) chooseEdges(plan, solids);
		for (const plan of plans) if (plan.recursive && !routes.has(plan.line.id)) chooseCorner(plan, plans);
		spread(plans);
		straighten(plans);
		const fresh = plans.filter((plan) => !routes.has(plan.line.id));
		const kept = [...routes].map(([id, { points }]) => ({
			id,
			points,
			boxes: null
		}));
		const paths = fresh.map((plan) => ({
			id: plan.line.id,
			points: path(plan, solids),
			boxes: plan.recursive ? null : [plan.from.box, plan.to.box]
		}));
		const moved = ontoTracks(paths, kept, [...boxes.values()]);
		fresh.forEach((plan, i) => {
			const points = moved.get(plan.line.id) ?? paths[i].points;
			routes.set(plan.line.id, {
				points,
				edges: {
					from: plan.from.edge,
					to: plan.to.edge
				}
			});
		});
	}
	var horizontal = (edge) => edge === "left" || edge === "right";
	function chooseEdges(plan, solids) {
		if (plan.recursive) return;
		[plan.from.edge, plan.to.edge] = bestEdges(plan, solids, leavingCost).edges;
	}
	/** The edges between which a line runs best, where leaving an edge at which an end was drawn costs something. */
	function bestEdges(plan, solids, leaving) {
		let best = {
			cost: Infinity,
			edges: ["right", "left"],
			at: Infinity
		};
		const others = solids.filter(([id]) => id !== plan.from.id && id !== plan.to.id);
		const tried = edgePairs.map(([fromEdge, toEdge], at) => {
			const a = middle(plan.from.box, fromEdge, plan.to.box);
			const b = middle(plan.to.box, toEdge, plan.from.box);
			const left = (Number(isLeft(plan.from, fromEdge)) + Number(isLeft(plan.to, toEdge))) * leaving;
			return {
				edges: [fromEdge, toEdge],
				at,
				a,
				b,
				left,
				least: left + lengthOf(a, b)
			};
		});
		tried.sort((one, other) => one.least - other.least);
		for (const { edges, at, a, b, left, least } of tried) {
			if (least > best.cost + .001) break;
			const cost = cheapest(a, edges[0], b, edges[1], plan, others).cost + left;
			if (cost < best.cost - .001 || cost < best.cost + .001 && at < best.at) best = {
				cost,
				edges,
				at
			};
		}
		return best;
	}
	var edgePairs = edges.flatMap((from) => edges.map((to) => [from, to]));
	var isLeft = (end, edge) => end.held !== void 0 && end.held !== edge;
	/** The point of an edge from which a line would leave towards another box: in the middle of what they share, if anything. */
	function middle(box, edge, other) {
		if (horizontal(edge)) {
			const low = Math.max(box.y, other.y);
			const high = Math.min(bottom(box), bottom(other));
			const y = high - low > shared ? (low + high) / 2 : centre(box).y;
			return {
				x: edge === "left" ? box.x : right(box),
				y
			};
		}
		const low = Math.max(box.x, other.x);
		const high = Math.min(right(box), right(other));
		return {
			x: high - low > shared ? (low + high) / 2 : centre(box).x,
			y: edge === "top" ? box.y : bottom(box)
		};
	}
	function spread(plans) {
		const groups = /* @__PURE__ */ new Map();
		for (const plan of plans) for (const [end, other] of [[plan.from, plan.to], [plan.to, plan.from]]) {
			const key = `${end.id} ${end.edge}`;
			groups.set(key, [...groups.get(key) ?? [], {
				end,
				other,
				plan
			}]);
		}
		for (const group of groups.values()) {
			for (const { end, other, plan } of group) end.at = plan.recursive ? recursiveAt(end, other) : coordinate(middle(end.box, end.edge, other.box), end.edge);
			group.sort((a, b) => a.end.at - b.end.at || pull(a) - pull(b));
			place(group.map(({ end }) => end), firstDrawn(group, plans));
		}
	}
	var coordinate = (point, edge) => horizontal(edge) ? point.y : point.x;
	/** A loop stands near its corner: high or low on the side, far left or right on the top or bottom. */
	var recursiveAt = (end, corner_) => horizontal(end.edge) ? corner_.edge === "top" ? end.box.y + corner$1 + 4 : bottom(end.box) - corner$1 - 4 : corner_.edge === "right" ? right(end.box) - corner$1 - 12 : end.box.x + corner$1 + 12;
	/** The corner of the box whose two edges have the fewest other ends, for a line from a box to itself; at the edge where it was drawn. */
	function chooseCorner(plan, plans) {
		const used = (edge) => plans.reduce((sum, other) => sum + (other === plan ? 0 : [other.from, other.to].filter((end) => end.id === plan.from.id && end.edge === edge).length), 0);
		const corners = [
			["right", "top"],
			["left", "top"],
			["right", "bottom"],
			["left", "bottom"]
		];
		const held = plan.from.held ?? plan.to.held;
		const [first] = [...held === void 0 ? corners : corners.filter((edges) => edges.some((edge) => edge === held))].sort((a, b) => used(a[0]) + used(a[1]) - used(b[0]) - used(b[1]));
		[plan.from.edge, plan.to.edge] = first;
	}
	/** Which of the ends at an edge belongs to the line that was drawn first. */
	function firstDrawn(group, plans) {
		const orders = group.map(({ plan }) => plans.indexOf(plan));
		return orders.indexOf(Math.min(...orders));
	}
	var pull = ({ end, other }) => coordinate(centre(other.box), end.edge);
	/**
	* Keeps ends of one edge at least a gap apart, as far as the edge is long enough, each as near its wish as can be. The first that was
	* drawn stays where it was when others come, as long as they have room enough beside it.
	*/
	function place(ends, anchor) {
		const first = ends[0];
		if (!first || ends.length === 1) return;
		const [start, length] = horizontal(first.edge) ? [first.box.y, first.box.height] : [first.box.x, first.box.width];
		const free = length - 32 >= gap * (ends.length - 1) ? corner$1 : tightCorner;
		const low = start + free;
		const high = start + length - free;
		if (placeAround(ends, anchor, low, high)) return;
		const step = Math.min(gap, (high - low) / (ends.length - 1));
		for (let i = 1; i < ends.length; i++) ends[i].at = Math.max(ends[i].at, ends[i - 1].at + step);
		const over = ends[ends.length - 1].at - high;
		if (over > 0) for (const end of ends) end.at -= over;
		ends[0].at = Math.max(ends[0].at, low);
		for (let i = 1; i < ends.length; i++) ends[i].at = Math.max(ends[i].at, ends[i - 1].at + Math.min(step, 8));
	}
	/** Places ends on both sides of one that stays; says whether there was room. */
	function placeAround(ends, anchor, low, high) {
		const wish = ends[anchor].at;
		const [before, after] = [anchor, ends.length - 1 - anchor];
		const up = before === 0 ? gap : Math.min(gap, (wish - low) / before);
		const down = after === 0 ? gap : Math.min(gap, (high - wish) / after);
		if (wish < low || wish > high || Math.min(up, down) < leastGap) return false;
		for (let i = anchor + 1; i < ends.length; i++) ends[i].at = Math.min(high - (ends.length - 1 - i) * down, Math.max(ends[i].at, ends[i - 1].at + down));
		for (let i = anchor - 1; i >= 0; i--) ends[i].at = Math.max(low + i * up, Math.min(ends[i].at, ends[i + 1].at - up));
		return true;
	}
	/**
	* Lines between facing edges that are out by a little are made straight, where no other end is near. Lines between the same two
	* edges move together, so that they keep their distance from each other.
	*/
	function straighten(plans) {
		const groups = /* @__PURE__ */ new Map();
		for (const plan of plans) {
			if (plan.recursive || plan.from.edge === plan.to.edge || horizontal(plan.from.edge) !== horizontal(plan.to.edge)) continue;
			const [near, far] = isBefore(plan.from.box, plan.to.box) ? [plan.from, plan.to] : [plan.to, plan.from];
			const key = `${near.id} ${near.edge} ${far.id} ${far.edge}`;
			groups.set(key, [...groups.get(key) ?? [], {
				near,
				far
			}]);
		}
		for (const group of groups.values()) {
			group.sort((a, b) => a.near.at - b.near.at);
			const near = group.map((pair) => pair.near);
			const far = group.map((pair) => pair.far);
			if (take(far, near, plans)) continue;
			take(near, [...far].sort((a, b) => a.at - b.at), plans);
		}
	}
	/** To the left, or above. */
	var isBefore = (one, other) => one.x < other.x || one.x === other.x && one.y < other.y;
	/** Puts ends at the places of others, if all of them fit there. */
	function take(ends, places, plans) {
		const wanted = places.map((place) => place.at);
		if (!ends.every((end, i) => fits(end, wanted[i], ends, plans))) return false;
		ends.forEach((end, i) => end.at = wanted[i]);
		return true;
	}
	function fits(end, at, moving, plans) {
		const [start, length] = horizontal(end.edge) ? [end.box.y, end.box.height] : [end.box.x, end.box.width];
		if (at < start + tightCorner || at > start + length - tightCorner) return false;
		return plans.every((plan) => [plan.from, plan.to].every((other) => moving.includes(other) || other.id !== end.id || other.edge !== end.edge || Math.abs(other.at - at) >= 20));
	}
	var pointAt = (end) => horizontal(end.edge) ? {
		x: end.edge === "left" ? end.box.x : right(end.box),
		y: end.at
	} : {
		x: end.at,
		y: end.edge === "top" ? end.box.y : bottom(end.box)
	};
	function path(plan, solids) {
		const a = pointAt(plan.from);
		const b = pointAt(plan.to);
		if (plan.recursive) return loop(a, plan.from.edge, b, plan.to.edge);
		const others = solids.filter(([id]) => id !== plan.from.id && id !== plan.to.id);
		return cheapest(a, plan.from.edge, b, plan.to.edge, plan, others).points;
	}
	/** Round a corner of the box. */
	function loop(a, fromEdge, b, toEdge) {
		const reach = {
			x: a.x + outward[fromEdge].x * 44,
			y: b.y + outward[toEdge].y * 40
		};
		return [
			a,
			{
				x: reach.x,
				y: a.y
			},
			reach,
			{
				x: b.x,
				y: reach.y
			},
			b
		];
	}
	function cheapest(a, fromEdge, b, toEdge, plan, others) {
		let best = null;
		const paths = candidates$1(a, fromEdge, b, toEdge, plan, others);
		const reach = inflate(around(paths.flat().map((point) => ({
			...point,
			width: 0,
			height: 0
		}))), 6);
		const inReach = others.filter(([, box]) => overlaps(box, reach));
		for (const points of paths) {
			const cost = costOf(points, plan, inReach);
			if (!best || cost < best.cost - .001) best = {
				points,
				cost
			};
		}
		return best ?? {
			points: [a, b],
			cost: Infinity
		};
	}
	function candidates$1(a, fromEdge, b, toEdge, plan, others) {
		const out = outward[fromEdge];
		const into = outward[toEdge];
		const result = [];
		const a1 = {
			x: a.x + out.x * clearance,
			y: a.y + out.y * clearance
		};
		const b1 = {
			x: b.x + into.x * clearance,
			y: b.y + into.y * clearance
		};
		if (horizontal(fromEdge) && horizontal(toEdge)) {
			if (a.y === b.y) result.push([a, b]);
			const near = [(a.x + b.x) / 2, ...sideways(plan, others, "x")];
			for (const x of [
				...near,
				a1.x,
				b1.x
			]) result.push([
				a,
				{
					x,
					y: a.y
				},
				{
					x,
					y: b.y
				},
				b
			]);
			for (const y of detours(plan, others, "y")) result.push([
				a,
				{
					x: a1.x,
					y: a.y
				},
				{
					x: a1.x,
					y
				},
				{
					x: b1.x,
					y
				},
				{
					x: b1.x,
					y: b.y
				},
				b
			]);
		} else if (!horizontal(fromEdge) && !horizontal(toEdge)) {
			if (a.x === b.x) result.push([a, b]);
			const near = [(a.y + b.y) / 2, ...sideways(plan, others, "y")];
			for (const y of [
				...near,
				a1.y,
				b1.y
			]) result.push([
				a,
				{
					x: a.x,
					y
				},
				{
					x: b.x,
					y
				},
				b
			]);
			for (const x of detours(plan, others, "x")) result.push([
				a,
				{
					x: a.x,
					y: a1.y
				},
				{
					x,
					y: a1.y
				},
				{
					x,
					y: b1.y
				},
				{
					x: b.x,
					y: b1.y
				},
				b
			]);
		} else if (horizontal(fromEdge)) {
			result.push([
				a,
				{
					x: b.x,
					y: a.y
				},
				b
			]);
			result.push([
				a,
				{
					x: a1.x,
					y: a.y
				},
				{
					x: a1.x,
					y: b1.y
				},
				{
					x: b.x,
					y: b1.y
				},
				b
			]);
		} else {
			result.push([
				a,
				{
					x: a.x,
					y: b.y
				},
				b
			]);
			result.push([
				a,
				{
					x: a.x,
					y: a1.y
				},
				{
					x: b1.x,
					y: a1.y
				},
				{
					x: b1.x,
					y: b.y
				},
				b
			]);
		}
		return result;
	}
	/** Coordinates just beside the boxes that stand between the two ends. */
	function sideways(plan, others, axis) {
		const span = inflate(spanOf(plan), clearance);
		return others.filter(([, box]) => box.x < right(span) && right(box) > span.x && box.y < bottom(span) && bottom(box) > span.y).slice(0, 6).flatMap(([, box]) => axis === "x" ? [box.x - 20, right(box) + 20] : [box.y - 20, bottom(box) + 20]);
	}
	/** Coordinates that pass round the two boxes, and those between them, on either side. */
	function detours(plan, others, axis) {
		const span = spanOf(plan);
		return [...axis === "x" ? [span.x - clearance, right(span) + clearance] : [span.y - clearance, bottom(span) + clearance], ...sideways(plan, others, axis)];
	}
	function spanOf(plan) {
		const x = Math.min(plan.from.box.x, plan.to.box.x);
		const y = Math.min(plan.from.box.y, plan.to.box.y);
		return {
			x,
			y,
			width: Math.max(right(plan.from.box), right(plan.to.box)) - x,
			height: Math.max(bottom(plan.from.box), bottom(plan.to.box)) - y
		};
	}
	function costOf(points, plan, others) {
		let cost = 0;
		for (let i = 1; i < points.length; i++) {
			const a = points[i - 1];
			const b = points[i];
			cost += Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
			for (const [, box] of others) if (crosses(a, b, box, 6)) cost += crossingCost;
			if (crosses(a, b, plan.from.box, -1)) cost += crossingCost;
			if (crosses(a, b, plan.to.box, -1)) cost += crossingCost;
		}
		const first = lengthOf(points[0], points[1]);
		const last = lengthOf(points[points.length - 1], points[points.length - 2]);
		if (first < 28) cost += (clearance - first) * 10;
		if (last < 28) cost += (clearance - last) * 10;
		return cost + (points.length - 2) * bendCost;
	}
	var lengthOf = (a, b) => Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
	// src/geometry/straight.ts
	var corner = 16;
	var roundCorner = 14;
	var keepOff = 8;
	var besideSymbols = 28;
	/** How far apart several straight lines between the same two shapes run, and how far from its box an end is taken hold of. */
	var apart = 26;
	var endReach = 26;
	/** Straight lines, those that end on other lines last, so that what they end on has its route. */
	function routeStraight(lines, around_) {
		const { owner, routes } = around_;
		const between = /* @__PURE__ */ new Map();
		for (const line of lines) {
			const key = [shapeAt(line.from, owner), shapeAt(line.to, owner)].sort().join(" ");
			between.set(key, [...between.get(key) ?? [], line]);
		}
		const onLine = (line) => [line.from, line.to].filter((end) => end.on.kind === "line" || end.on.kind === "end").length;
		for (const line of [...lines].sort((a, b) => onLine(a) - onLine(b))) {
			const alike = between.get([shapeAt(line.from, owner), shapeAt(line.to, owner)].sort().join(" "));
			routes.set(line.id, straightRoute(line, (alike.indexOf(line) - (alike.length - 1) / 2) * apart, around_));
		}
	}
	function straightRoute(line, aside, { drawing, boxes, owner, routes }) {
		const place = (end) => {
			const id = shapeAt(end, owner);
			const box = id ? boxes.get(id) : void 0;
			if (box) return {
				point: centre(box),
				shape: drawing.shapes.get(id)
			};
			return {
				point: looseEnd(end, routes),
				shape: void 0
			};
		};
		const [from, to] = [place(line.from), place(line.to)];
		const length = Math.hypot(to.point.x - from.point.x, to.point.y - from.point.y) || 1;
		const sign = aside === 0 || firstOf(drawing, shapeAt(line.from, owner), shapeAt(line.to, owner)) ? 1 : -1;
		const shift = (point) => ({
			x: point.x - (to.point.y - from.point.y) / length * aside * sign,
			y: point.y + (to.point.x - from.point.x) / length * aside * sign
		});
		const [a, b] = [shift(from.point), shift(to.point)];
		const knees = detour(a, b, obstacles([from.shape, to.shape], drawing, boxes));
		const end = ({ shape }, own, other) => {
			if (!shape) return own;
			const box = boxes.get(shape.id);
			return besideOthers(rimPoint(shape.form, box, own, other), shape, box, routes);
		};
		const [start, finish] = [end(from, a, knees[0] ?? b), end(to, b, knees.at(-1) ?? a)];
		return {
			points: knees.length > 0 ? [
				start,
				...knees,
				finish
			] : [end(from, a, finish), end(to, b, start)],
			edges: {
				from: null,
				to: null
			}
		};
	}
	/** Whether of two shapes the one was drawn before the other. */
	function firstOf(drawing, one, other) {
		for (const id of drawing.shapes.keys()) if (id === one || id === other) return id === one;
		return true;
	}
	/** The boxes with rows in a line's way: all but those of its own ends. */
	function obstacles(own, drawing, boxes) {
		const found = [];
		for (const shape of drawing.shapes.values()) if (!own.includes(shape) && shape.form === "rectangle") found.push(boxes.get(shape.id));
		return found;
	}
	/** The corners at which a straight line bends that would pass through boxes, by the shortest way round one of them; none when it need not or cannot. */
	function detour(a, b, solids) {
		const inTheWay = solids.filter((box) => meets(a, b, box));
		const free = (path) => path.slice(1).every((point, i) => solids.every((box) => !meets(path[i], point, box, keepOff)));
		let [best, least] = [[], Infinity];
		for (const knees of inTheWay.flatMap(waysRound)) {
			const path = [
				a,
				...knees,
				b
			];
			const length = path.slice(1).reduce((sum, point, i) => sum + Math.hypot(point.x - path[i].x, point.y - path[i].y), 0);
			if (length < least && free(path)) [best, least] = [knees, length];
		}
		return best;
	}
	/** Past one corner of a box, or past two along one of its sides, either way. */
	function waysRound(box) {
		const wide = inflate(box, roundCorner);
		const corners = [
			{
				x: wide.x,
				y: wide.y
			},
			{
				x: right(wide),
				y: wide.y
			},
			{
				x: right(wide),
				y: bottom(wide)
			},
			{
				x: wide.x,
				y: bottom(wide)
			}
		];
		return corners.flatMap((corner, i) => {
			const next = corners[(i + 1) % corners.length];
			return [
				[corner],
				[corner, next],
				[next, corner]
			];
		});
	}
	/** An end at a box, moved along its edge where a line with symbols of its own already ends there. */
	function besideOthers(point, shape, box, routes) {
		const level = Math.abs(point.y - box.y) < 1 || Math.abs(point.y - bottom(box)) < 1;
		if (isRound(shape) || !level) return point;
		const taken = [];
		for (const { points, edges } of routes.values()) {
			if (!edges.from && !edges.to) continue;
			for (const other of [points[0], points.at(-1)]) if (Math.abs(other.y - point.y) < 1 && other.x > box.x && other.x < right(box)) taken.push(other.x);
		}
		const near = (x) => taken.some((other) => Math.abs(other - x) < besideSymbols);
		if (!near(point.x)) return point;
		const x = taken.flatMap((x) => [x - besideSymbols, x + besideSymbols]).filter((x) => x > box.x + corner && x < right(box) - corner && !near(x)).sort((one, other) => Math.abs(one - point.x) - Math.abs(other - point.x) || one - other)[0];
		return x === void 0 ? point : {
			x,
			y: point.y
		};
	}
	function looseEnd(end, routes) {
		if (end.on.kind === "nothing") return {
			x: end.on.x / 4,
			y: end.on.y / 4
		};
		if (end.on.kind === "line") {
			const other = routes.get(end.on.id);
			return other ? midpoint(other.points) : {
				x: 0,
				y: 0
			};
		}
		const at = end.on.kind === "end" ? parseEndId(end.on.id) : null;
		const other = at && routes.get(at.line);
		if (!other) return {
			x: 0,
			y: 0
		};
		const [a, b] = at.side === "from" ? other.points : [...other.points].reverse();
		const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
		const reach = Math.min(endReach, length / 2) / length;
		return {
			x: a.x + (b.x - a.x) * reach,
			y: a.y + (b.y - a.y) * reach
		};
	}
	// src/geometry/routing.ts
	/**
	* Routes the lines of a drawing: orthogonally between boxes, straight where a round figure or another line is met, in lanes where
	* boxes in rows are tied by arrows. With `only`, the other lines keep the routes they had, save those in lanes, which make room for each
	* other.
	*/
	function routeLines(drawing, boxes, before, only) {
		const owner = rowOwners(drawing);
		const touched = only && shapesOf(drawing, only, owner);
		const plans = [];
		const routes = routeInLanes(drawing, boxes);
		for (const line of drawing.lines.values()) {
			if (routes.has(line.id)) continue;
			const kept = only && !only.has(line.id) ? before?.get(line.id) : void 0;
			if (kept) routes.set(line.id, kept);
			const plan = isStraight(line, drawing, owner) ? null : planOf(line, boxes, owner);
			if (plan && (!kept || touched?.has(plan.from.id) || touched?.has(plan.to.id))) plans.push(kept ? withEdges(plan, kept) : plan);
		}
		routePlans(plans, boxes, routes);
		routeStraight([...drawing.lines.values()].filter((line) => !plans.some((plan) => plan.line === line) && !routes.has(line.id)), {
			drawing,
			boxes,
			owner,
			routes
		});
		return routes;
	}
	/** Lines that meet a figure other than a box or a note, or another line, run straight. */
	function isStraight(line, drawing, owner) {
		const [from, to] = [shapeAt(line.from, owner), shapeAt(line.to, owner)].map((id) => id && drawing.shapes.get(id));
		return from !== to && [from, to].some((shape) => typeof shape === "object" && isRound(shape));
	}
	/** The shapes at which these lines end: only lines that share an edge with them matter to where they end. */
	function shapesOf(drawing, lines, owners) {
		const ends = [...lines].flatMap((id) => {
			const line = drawing.lines.get(id);
			return line ? [line.from, line.to] : [];
		});
		return new Set(ends.map((end) => shapeAt(end, owners)).filter((id) => id !== void 0));
	}
	// src/geometry/endPlace.ts
	var qualifierHeight = 20;
	/** Where an end's marks begin: at what it is attached to, or outside the small box of its qualifier. */
	function endPlace(route, side, qualifier = "") {
		const points = side === "from" ? route.points : [...route.points].reverse();
		const [a, b] = [points[0], points[1]];
		const edge = route.edges[side];
		const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
		const direction = edge ? outward[edge] : {
			x: (b.x - a.x) / length,
			y: (b.y - a.y) / length
		};
		if (qualifier === "") return {
			point: a,
			edge,
			direction,
			length
		};
		const depth = Math.abs(direction.x) > Math.abs(direction.y) ? textWidth(qualifier) + 12 : qualifierHeight;
		return {
			point: {
				x: a.x + direction.x * depth,
				y: a.y + direction.y * depth
			},
			edge,
			direction,
			length: Math.max(1, length - depth)
		};
	}
	// src/geometry/endTexts.ts
	var size = 14;
	/** How far a text keeps from its box, to be clear of the marks of the end. */
	var marksRoom = 26;
	var shift = 10;
	var rowHeight = 16;
	/** The box that a text at an end takes up. */
	function endTextBox(text) {
		const width = textWidth(text.text, size);
		return {
			x: text.anchor === "start" ? text.x : text.x - width,
			y: text.y - 12,
			width,
			height: 15.5
		};
	}
	/**
	* Places what is written at the ends of lines, one text after the other, each at the first place along its line at which it
	* covers least. With `only`, the other lines keep theirs.
	*/
	function placeTexts(drawing, boxes, routes, before, only) {
		const placed = /* @__PURE__ */ new Map();
		const taken = [];
		const solids = [...boxes.values()];
		const pieces = piecesOf(routes);
		const loose = [];
		for (const line of drawing.lines.values()) {
			const kept = only && !only.has(line.id) ? before?.get(line.id) : void 0;
			placed.set(line.id, kept ?? []);
			if (kept) taken.push(...kept.map(endTextBox));
			else loose.push(line);
		}
		const wanting = loose.flatMap((line) => {
			const route = routes.get(line.id);
			return route ? textsOf(line).map(({ side, of, text }) => ({
				line,
				places: candidates(line, side, of, text, route)
			})) : [];
		}).sort((a, b) => a.places.length - b.places.length);
		const costOf = (line, place) => {
			const box = endTextBox(place);
			return sharedWithAll(box, taken) + sharedWithAll(box, solids) + (covers(box, line, routes) ? ownLine : 0) + foreignLine * crossings(box, line.id, pieces);
		};
		const picks = wanting.map(({ line, places }) => {
			const text = least(places, (place) => costOf(line, place));
			const box = endTextBox(text);
			taken.push(box);
			return {
				line,
				places,
				text,
				box
			};
		});
		makeWay(picks, taken, costOf);
		moveAside(picks, taken, costOf);
		const chosen = /* @__PURE__ */ new Map();
		for (const { line, text } of picks) chosen.set(line.id, [...chosen.get(line.id) ?? [], text]);
		for (const [id, texts] of chosen) {
			const old = before?.get(id);
			placed.set(id, old && same(old, texts) ? old : texts);
		}
		return placed;
	}
	/** Where two texts lie on each other, the one that was there first makes way for the other if it finds a place as good. */
	function makeWay(picks, taken, costOf) {
		for (const pick of picks) for (const other of picks) {
			if (other === pick || !overlaps(other.box, pick.box)) continue;
			taken.splice(taken.indexOf(other.box), 1);
			const text = least(other.places, (place) => costOf(other.line, place));
			if (costOf(other.line, text) < costOf(other.line, other.text)) Object.assign(other, {
				text,
				box: endTextBox(text)
			});
			taken.push(other.box);
		}
	}
	/** A text through which a line still runs, or that lies on another, goes to the nearest place that is free, if there is one near. */
	function moveAside(picks, taken, costOf) {
		for (const pick of picks) {
			taken.splice(taken.indexOf(pick.box), 1);
			const cost = costOf(pick.line, pick.text);
			if (cost > touching) {
				const [best] = pick.places;
				const text = least(aside.map(({ x, y }) => ({
					...best,
					x: best.x + x,
					y: best.y + y
				})), (place) => costOf(pick.line, place));
				if (costOf(pick.line, text) < cost) Object.assign(pick, {
					text,
					box: endTextBox(text)
				});
			}
			taken.push(pick.box);
		}
	}
	/** Ways to move a text aside, the shortest first. */
	var aside = Array.from({ length: 15 }, (_, column) => Array.from({ length: 13 }, (_, row) => ({
		x: (column - 7) * 12,
		y: (row - 6) * 10
	}))).flat().sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y));
	/** What may be covered without harm: corners that touch. */
	var touching = 24;
	/** What lying on the own line counts, in the pixels that lying on something else would cover. */
	var ownLine = 1500;
	/** What each other line through a text counts: as much as a word of a text on it. */
	var foreignLine = 600;
	var piecesOf = (routes) => [...routes].flatMap(([line, { points }]) => points.slice(1).map((to, i) => ({
		line,
		from: points[i],
		to
	})));
	/** How many pieces of other lines run through a box. */
	function crossings(box, own, pieces) {
		let count = 0;
		const [far, low] = [right(box), bottom(box)];
		for (const { line, from, to } of pieces) {
			if (from.x < box.x - 1 && to.x < box.x - 1) continue;
			if (from.x > far + 1 && to.x > far + 1) continue;
			if (from.y < box.y && to.y < box.y) continue;
			if (from.y > low && to.y > low) continue;
			if (line !== own && meets(from, to, box, 1)) count++;
		}
		return count;
	}
	/** The first value of the least cost; the search ends at one that costs nothing. */
	function least(values, costOf) {
		let [best, cost] = [values[0], Infinity];
		for (const value of values) {
			const next = costOf(value);
			if (next < cost) [best, cost] = [value, next];
			if (cost === 0) break;
		}
		return best;
	}
	function sharedWithAll(box, others) {
		let sum = 0;
		for (const other of others) sum += sharedArea(box, other);
		return sum;
	}
	/** Whether a box lies on its own line. */
	function covers(box, line, routes) {
		const { points } = routes.get(line.id);
		return points.some((point, i) => i > 0 && meets(points[i - 1], point, box, -2));
	}
	var same = (a, b) => a.length === b.length && a.every((text, i) => {
		const other = b[i];
		return text.text === other.text && text.x === other.x && text.y === other.y && text.of === other.of && text.side === other.side && text.anchor === other.anchor;
	});
	var textsOf = (line) => [...line.text === "" ? [] : [{
		side: "from",
		of: "line",
		text: line.text
	}], ...["from", "to"].flatMap((side) => writtenAt(line[side]).map(([of, text]) => ({
		side,
		of,
		text
	})))];
	function writtenAt(end) {
		return [
			["label", end.label],
			["role", end.role],
			["count", end.count]
		].filter(([, text]) => text !== "");
	}
	/**
	* The places of a text, best first: a label above or right of its line, near the box; a role or count across from it. Where both
	* labels of a straight line do not fit above it, the second stands below. Then farther along the line, then on its other
	* side, and at last a row away from it.
	*/
	function candidates(line, side, of, text, route) {
		if (of === "line") return alongCandidates(line, side, text, route);
		const place = endPlace(route, side, line[side].qualifier);
		const { direction } = place;
		const vertical = Math.abs(direction.x) < Math.abs(direction.y);
		const labelAbove = vertical || side === "from" || bothFit(line, route);
		const first = of === "label" || of === "count" && line[side].role !== "" ? labelAbove : !labelAbove;
		const at = (Math.min(Math.abs(direction.x), Math.abs(direction.y)) > .12 ? aslant : vertical ? upright : level)(place, textWidth(text, size));
		const steps = Array.from({ length: Math.max(1, Math.floor(place.length / shift)) }, (_, step) => step * shift);
		return [
			0,
			1,
			2
		].flatMap((row) => [first, !first].map((above) => ({
			above,
			row
		}))).flatMap(({ above, row }) => steps.flatMap((along) => {
			const found = at(above, along, row);
			return found ? [{
				...found,
				side,
				of,
				text
			}] : [];
		}));
	}
	var parts = [
		.5,
		.42,
		.58,
		.34,
		.66,
		.26,
		.74,
		.18,
		.82
	];
	var pointerRoom = 20;
	/** The places of a line's own text: above or beneath a level piece, beside an upright one, from its middle outward; then rows farther away. */
	function alongCandidates(line, side, text, route) {
		const width = textWidth(text, size);
		const room = line.pointer ? pointerRoom : 0;
		const beside = (level) => parts.flatMap((part) => {
			const { point, direction } = alongRoute(route.points, part);
			return (Math.abs(direction.y) > Math.abs(direction.x) ? [{
				x: point.x + 9,
				y: point.y + 4
			}, {
				x: point.x - 9 - width - room,
				y: point.y + 4
			}] : level.map((dy) => ({
				x: point.x - (width + room) / 2,
				y: point.y + dy
			}))).map((spot) => ({
				...spot,
				anchor: "start",
				side,
				of: "line",
				text
			}));
		});
		return [
			...byHead(line, side, text, route),
			...beside([-8, 18]),
			...beside([
				-24,
				34,
				-40,
				50
			])
		];
	}
	var letter = 3;
	/** Beside the head of an arrow, where it shares its way with no other: for a text as short as a letter. */
	function byHead(line, side, text, route) {
		const heads = ["from", "to"].filter((end) => line[end].marks.includes("arrow"));
		if (heads.length !== 1 || text.length > letter) return [];
		const { point, direction } = endPlace(route, heads[0]);
		if (Math.abs(direction.y) < Math.abs(direction.x)) return [];
		const y = point.y + (direction.y > 0 ? 21 : -9);
		const width = textWidth(text, size);
		return [point.x + 7, point.x - 7 - width].map((x) => ({
			x,
			y,
			anchor: "start",
			side,
			of: "line",
			text
		}));
	}
	var level = ({ point, direction, length }, width) => (above, along, row) => {
		const near = Math.max(5, Math.min(marksRoom, length - width - 6));
		if (along > 0 && near + along + width > length) return null;
		return {
			x: point.x + Math.sign(direction.x) * (near + along),
			y: point.y + (above ? -8 - row * rowHeight : 19 + row * rowHeight),
			anchor: direction.x > 0 ? "start" : "end"
		};
	};
	/** Beside a slanted line: the text's nearest corner at a distance from it. */
	var aslant = ({ point, direction, length }) => (above, along, row) => {
		const reach = 16 + along;
		if (reach > Math.max(16, length - 8)) return null;
		const up = direction.x > 0 ? -1 : 1;
		const turn = above ? up : -up;
		const normal = {
			x: -direction.y * turn,
			y: direction.x * turn
		};
		const away = 6 + row * rowHeight;
		const at = {
			x: point.x + direction.x * reach + normal.x * away,
			y: point.y + direction.y * reach + normal.y * away
		};
		const start = normal.x > .2 || Math.abs(normal.x) <= .2 && direction.x > 0;
		return {
			x: at.x,
			y: at.y + (normal.y > 0 ? 11 : -2),
			anchor: start ? "start" : "end"
		};
	};
	var upright = ({ point, direction, length }) => (above, along, row) => {
		if (along > 0 && along + 25 > length) return null;
		const y = point.y + (direction.y > 0 ? 25 + along : -17 - along);
		const away = 11 + row * rowHeight;
		return {
			x: point.x + (above ? away : -away),
			y,
			anchor: above ? "start" : "end"
		};
	};
	/** Whether both labels of a line fit above it: on its two end pieces together, which are one on a straight line. */
	function bothFit(line, route) {
		const [from, to] = [endPlace(route, "from").length, endPlace(route, "to").length];
		const length = route.points.length > 2 ? from + to : from;
		return textWidth(line.from.label, size) + textWidth(line.to.label, size) + 52 + 8 <= length;
	}
	// src/geometry/scene.ts
	/**
	* Lays out a drawing. With the scene before it and the shapes that move, only what hangs on them is routed anew, and
	* everything else keeps its very values.
	*/
	function layOut(drawing, before, moving) {
		if (drawing.sheets.size < 2) return layOutSheet(drawing, before, moving);
		const sheets = [...drawing.sheets.keys()].map((id) => layOutSheet(drawingOf(drawing, id), before, moving));
		const merged = (part) => new Map(sheets.flatMap((one) => [...part(one)]));
		return {
			drawing,
			boxes: merged((one) => one.boxes),
			routes: merged((one) => one.routes),
			texts: merged((one) => one.texts)
		};
	}
	/** What of a drawing stands on one sheet. */
	function drawingOf(drawing, sheet) {
		const first = firstSheet(drawing);
		const here = (elements) => new Map([...elements].filter(([, element]) => (element.sheet ?? first) === sheet));
		return {
			...drawing,
			shapes: here(drawing.shapes),
			lines: here(drawing.lines),
			regions: here(drawing.regions)
		};
	}
	function layOutSheet(drawing, before, moving) {
		const boxes = /* @__PURE__ */ new Map();
		for (const shape of drawing.shapes.values()) {
			const same = before && before.drawing.shapes.get(shape.id) === shape ? before.boxes.get(shape.id) : void 0;
			boxes.set(shape.id, same ?? boxOf(shape));
		}
		const only = before && moving ? linesMoving(drawing, moving) : void 0;
		const routes = routeLines(drawing, boxes, before?.routes, only);
		const kept = before ? keepSame(routes, before.routes) : routes;
		return {
			drawing,
			boxes,
			routes: kept,
			texts: placeTexts(drawing, boxes, kept, before?.texts, only)
		};
	}
	/** The lines that hang on moving shapes, and those that end on such lines. */
	function linesMoving(drawing, shapes) {
		const moving = new Set(linesAt(drawing, shapes).map((line) => line.id));
		for (const line of drawing.lines.values()) if ([line.from, line.to].some((end) => end.on.kind === "line" && moving.has(end.on.id) || end.on.kind === "end" && moving.has(parseEndId(end.on.id)?.line ?? ""))) moving.add(line.id);
		return moving;
	}
	function keepSame(routes, before) {
		for (const [id, route] of routes) {
			const old = before.get(id);
			if (old && old !== route && old.points.length === route.points.length && old.points.every((p, i) => p.x === route.points[i].x && p.y === route.points[i].y)) routes.set(id, old);
		}
		return routes;
	}
	/** Sizes and routes as the document format keeps them. */
	var placementOf = (scene) => ({
		sizeOf: (shape) => {
			const box = scene.boxes.get(shape.id);
			return {
				width: Math.round(box.width * 4),
				height: Math.round(box.height * 4)
			};
		},
		routeOf: (line) => scene.routes.get(line.id)?.points ?? [],
		textsOf: (line) => scene.texts.get(line.id) ?? []
	});
	// src/geometry/settle.ts
	/**
	* A drawing's document with the sizes, routes and places of texts that the slate gives it. Built by itself for whatever paints
	* drawings elsewhere (src/BlueSlate.Drafting/Geometry), so that a line runs on paper as it does on the slate.
	*/
	var settle = (document) => {
		const drawing = readDrawing(document);
		return writeDrawing(drawing, placementOf(layOut(drawing)));
	};
	/**
	* Places for shapes of a drawing whose arrows run in lanes, as JSON by id: of those named, while all others stay. `null` for a drawing
	* of another kind.
	*/
	var inLanes = (document, fresh) => {
		const drawing = readDrawing(document);
		const places = setOut(drawing, new Map([...drawing.shapes].map(([id, shape]) => [id, boxOf(shape)])), new Set(JSON.parse(fresh)));
		return JSON.stringify(places && Object.fromEntries(places));
	};
	exports.inLanes = inLanes;
	exports.settle = settle;
	return exports;
})({});
