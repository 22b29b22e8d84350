# frozen_string_literal: true

require_relative 'pdf_words'

module Fujin
  # The school's own mark and words on each page of a PDF: the mark at the upper right, the words at the foot.
  PrintMark = Value.define(:logo, :words) do
    # @param school [#logo, #print_words]
    def self.of(school) = new(logo: school.logo, words: school.print_words)

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
          if words
            pdf.fill_color(PdfWords::SOFT)
            pdf.text_box(PdfWords.plain(words), at: [36, 24], width: width - 72, height: 14, size: 8,
                                                overflow: :shrink_to_fit)
          end
        end
      end
    end
  end
end
