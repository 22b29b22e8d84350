# frozen_string_literal: true

require_relative 'pdf_words'

module Fujin
  # What stands on each page of a PDF: the school's own mark at the upper right, its words at the foot, and where its
  # chain of sign-offs ended when it was printed, so that paper tells later whether all of it was written anew.
  PrintMark = Value.define(:logo, :words, :anchor) do
    # @param school [#logo, #print_words], @param anchor [Hash] Chain.anchor
    def self.of(school, anchor) = new(logo: school.logo, words: school.print_words, anchor: anchor)

    # What a logo may be: PNG or JPEG.
    def self.kind(bytes)
      return 'image/png' if bytes.byteslice(0, 8) == "\x89PNG\r\n\x1A\n".b

      'image/jpeg' if bytes.byteslice(0, 3) == "\xFF\xD8\xFF".b
    end

    # @param pdf [Prawn::Document] when everything else is on it
    def draw(pdf)
      pdf.repeat(:all) do
        pdf.canvas do
          width = pdf.bounds.width
          height = pdf.bounds.height
          pdf.image(StringIO.new(logo), at: [width - 96, height - 10], fit: [72, 24]) if logo
          foot(pdf, words, 24, 8, width) if words
          foot(pdf, anchor_words, 13, 6, width) if anchor
        end
      end
    end

    private

    def anchor_words = Text.of('Signed chain: %{links} links, the last %{hash}',
                               links: anchor[:links], hash: anchor[:latest_hash])

    def foot(pdf, text, y, size, width)
      pdf.fill_color(PdfWords::SOFT)
      pdf.text_box(PdfWords.plain(text), at: [36, y], width: width - 72, height: size + 4, size: size,
                                         overflow: :shrink_to_fit)
    end
  end
end
